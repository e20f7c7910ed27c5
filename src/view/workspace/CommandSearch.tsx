'use client';
import { useMemo } from 'react';
import { Command } from 'cmdk';
import { chooseUnits, useUnits } from '@/view/shared';
import { useRouter } from 'next/navigation';
import Dialog from '@mui/material/Dialog';
import { findingKey, SEVERITY_NAMES, type Fix } from '@/core/checks';
import { slug } from '@/format';
import { msg } from '@/core/messages';
import { downloadBlob } from './download';
import { useEditor } from './EditorProvider';
import { EXPORTS, saveExports, type ExportInputs } from './exports';
import { goToStage } from './goToStage';
import { chartsOnPage, chartToPng, chartToSvg, tablesOnPage, tableToTsv } from './onPage';
import { STAGES } from './stages';
import { useFixes } from './useJobs';
import { useTour } from './tour';
import { useShowFinding } from './useShowFinding';
import styles from './CommandSearch.module.css';

interface Action {
  readonly name: string;
  readonly hint: string;
  run(): void;
}
interface Group {
  readonly heading: string;
  readonly actions: readonly Action[];
}

/** Everything that can be done, by its words (Ctrl+K). */
export function CommandSearch() {
  const on = useEditor((s) => s.search);
  const setSearch = useEditor((s) => s.setSearch);
  return (
    <Dialog
      open={on}
      onClose={() => setSearch(false)}
      maxWidth="sm"
      fullWidth
      slotProps={{ paper: { className: styles.paper as string } }}
      aria-label={msg`Find a command`}
    >
      {on && <Body />}
    </Dialog>
  );
}

const NO_FIXES: readonly (readonly [key: string, fixes: readonly Fix[]])[] = [];

function Body() {
  const router = useRouter();
  const id = useEditor((s) => s.id);
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const undo = useEditor((s) => s.undo);
  const redo = useEditor((s) => s.redo);
  const open = useEditor((s) => s.open);
  const setSearch = useEditor((s) => s.setSearch);
  const pick = useEditor((s) => s.pick);
  const commit = useEditor((s) => s.commit);
  const say = useEditor((s) => s.say);
  const exporting = useMemo(
    (): ExportInputs => ({ id, design, analysis, size: 'A4', hasBom: true }),
    [id, design, analysis],
  );
  const resolved = useFixes(analysis.findings.map(findingKey));
  const fixes = resolved.fresh ? (resolved.result ?? NO_FIXES) : NO_FIXES;
  const show = useShowFinding();
  const units = useUnits();
  const startTour = useTour((s) => s.start);
  const groups: readonly Group[] = [
    {
      heading: msg`Stages`,
      actions: STAGES.map((s): Action => ({
        name: msg`Go to ${s.name}`,
        hint: s.digit,
        run: () => goToStage(id, s.id),
      })),
    },
    {
      heading: msg`Work`,
      actions: [
        { name: msg`Add a part from the catalogue`, hint: '', run: () => open('stores') },
        { name: msg`Show all findings`, hint: 'F', run: () => open('findings') },
        {
          name: msg`Guided tour of the findings`,
          hint: '',
          run: () => startTour(id, analysis.findings),
        },
        { name: msg`Help: keys and terms`, hint: '?', run: () => open('help') },
        { name: msg`Undo`, hint: msg`Ctrl Z`, run: undo },
        { name: msg`Redo`, hint: msg`Ctrl Shift Z`, run: redo },
        {
          name: units === 'us' ? msg`Use metric units` : msg`Use United States units`,
          hint: units === 'us' ? msg`mm, °C, L/min` : msg`in, °F, gpm`,
          run: () => chooseUnits(units === 'us' ? 'metric' : 'us'),
        },
        { name: msg`All builds`, hint: '', run: () => router.push('/') },
      ],
    },
    {
      heading: msg`Exports`,
      actions: EXPORTS.filter((x) => x.why(exporting) === null).map((x): Action => ({
        name: msg`Export: ${x.name}`,
        hint: x.format,
        run: () => void saveExports(exporting, [x]).catch((e: Error) => say(e.message)),
      })),
    },
    { heading: msg`On this page`, actions: onPage(design.name, say) },
    {
      heading: msg`Findings`,
      actions: analysis.findings.map((f): Action => ({
        name: f.title,
        hint: SEVERITY_NAMES[f.severity],
        run: () => show(f),
      })),
    },
    {
      heading: msg`Fixes`,
      actions: fixes.flatMap(([key, list]) =>
        list.map((x): Action => ({
          name: x.label,
          hint: key.split('|')[0] ?? '',
          run: () => commit(x.label, x.edit),
        })),
      ),
    },
    {
      heading: msg`Parts`,
      actions: design.components.map((i): Action => ({
        name: msg`Pick ${i.name}`,
        hint: i.part.kind,
        run: () => pick(i.id),
      })),
    },
  ].filter((g) => g.actions.length > 0);
  const run = (c: Action): void => {
    setSearch(false);
    c.run();
  };
  return (
    <Command
      className={styles.body}
      label={msg`Commands`}
      loop
      filter={hasWords}
      // Single keys are typed here, not pressed for the page.
      onKeyDown={(e) => {
        if (e.key === 'Escape') setSearch(false);
        e.stopPropagation();
      }}
    >
      <Command.Input
        autoFocus
        className={styles.input}
        placeholder={msg`Type what you want to do`}
        aria-label={msg`Command`}
      />
      <Command.List className={styles.list} label={msg`Suggestions`}>
        <Command.Empty className={styles.none}>{msg`No command has these words.`}</Command.Empty>
        {groups.map(({ heading, actions }) => (
          <Command.Group key={heading} heading={heading} className={styles.group}>
            {actions.map((c, i) => (
              <Command.Item
                key={`${c.name}-${c.hint}-${i}`}
                value={`${c.name} ${heading} ${i}`}
                className={styles.command}
                onSelect={() => run(c)}
              >
                <span>{c.name}</span>
                <span className="mono soft">{c.hint}</span>
              </Command.Item>
            ))}
          </Command.Group>
        ))}
      </Command.List>
    </Command>
  );
}

/** Every word typed stands in it; all that are found keep their order. */
const hasWords = (value: string, typed: string): number =>
  typed
    .toLowerCase()
    .split(/\s+/)
    .every((w) => value.toLowerCase().includes(w))
    ? 1
    : 0;

/** What the open stage shows, to be taken along: tables to a spreadsheet, charts as files. */
function onPage(build: string, say: (words: string | null) => void): readonly Action[] {
  const tables = tablesOnPage().map(({ name, element }): Action => ({
    name: msg`Copy table: ${name}`,
    hint: msg`clipboard`,
    run: () =>
      void navigator.clipboard.writeText(tableToTsv(element)).then(
        () => say(msg`Copied: ${name}. Paste it into a spreadsheet.`),
        () => say(msg`This browser does not let the page write to the clipboard.`),
      ),
  }));
  const charts = chartsOnPage().flatMap(({ name, element }): readonly Action[] => {
    const file = slug(`${build} ${name}`);
    return [
      {
        name: msg`Save chart: ${name}`,
        hint: msg`SVG`,
        run: () =>
          downloadBlob(`${file}.svg`, new Blob([chartToSvg(element)], { type: 'image/svg+xml' })),
      },
      {
        name: msg`Save chart as picture: ${name}`,
        hint: msg`PNG`,
        run: () =>
          void chartToPng(element).then((blob) => blob && downloadBlob(`${file}.png`, blob)),
      },
    ];
  });
  return [...tables, ...charts];
}
