'use client';
import { Press, TextInput } from '@/view/shared';
import { useMemo, useState } from 'react';
import { useRouter } from 'next/navigation';
import Dialog from '@mui/material/Dialog';
import { findingKey, type Fix } from '@/core/checks';
import { slug } from '@/format';
import { downloadBlob } from './download';
import { useEditor } from './EditorProvider';
import { EXPORTS, saveExports, type ExportInputs } from './exports';
import { useSceneOnPage } from './sceneOnPage';
import { goToStage } from './goToStage';
import { chartsOnPage, chartToPng, chartToSvg, tablesOnPage, tableToTsv } from './onPage';
import { STAGES } from './stages';
import { useFixes } from './useJobs';
import styles from './CommandSearch.module.css';

interface Command {
  readonly name: string;
  readonly hint: string;
  run(): void;
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
      aria-label="Find a command"
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
  const scene = useSceneOnPage((s) => s.scene);
  const exporting = useMemo(
    (): ExportInputs => ({ id, design, analysis, scene, size: 'A4', hasBom: true }),
    [id, design, analysis, scene],
  );
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const resolved = useFixes(analysis.findings.map(findingKey));
  const fixes = resolved.fresh ? (resolved.result ?? NO_FIXES) : NO_FIXES;
  const commands = useMemo(
    (): Command[] => [
      ...STAGES.map((s): Command => ({
        name: `Go to ${s.name}`,
        hint: s.digit,
        run: () => goToStage(id, s.id),
      })),
      { name: 'Add a part from the catalogue', hint: '', run: () => open('stores') },
      { name: 'Show all findings', hint: 'F', run: () => open('findings') },
      { name: 'Help: keys and terms', hint: '?', run: () => open('help') },
      { name: 'Undo', hint: 'Ctrl Z', run: undo },
      { name: 'Redo', hint: 'Ctrl Shift Z', run: redo },
      ...EXPORTS.filter((x) => x.why(exporting) === null).map((x): Command => ({
        name: `Export: ${x.name}`,
        hint: x.format,
        run: () => void saveExports(exporting, [x]).catch((e: Error) => say(e.message)),
      })),
      ...onPage(design.name, say),
      { name: 'All builds', hint: '', run: () => router.push('/') },
      ...design.components.map((i): Command => ({
        name: `Pick ${i.name}`,
        hint: i.part.kind,
        run: () => pick(i.id),
      })),
      ...fixes.flatMap(([key, list]) =>
        list.map((x): Command => ({
          name: x.label,
          hint: key.split('|')[0] ?? '',
          run: () => commit(x.label, x.edit),
        })),
      ),
    ],
    [router, id, design, undo, redo, open, pick, commit, fixes, exporting, say],
  );
  const words = text.toLowerCase().split(/\s+/).filter(Boolean);
  const found = commands
    .filter((c) => words.every((w) => c.name.toLowerCase().includes(w)))
    .slice(0, 12);
  const run = (c: Command | undefined): void => {
    if (c) {
      setSearch(false);
      c.run();
    }
  };
  return (
    <div>
      <TextInput
        autoFocus
        className={styles.input}
        placeholder="Type what you want to do"
        aria-label="Command"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          setAt(0);
        }}
        onKeyDown={(e) => {
          e.stopPropagation();
          if (e.key === 'ArrowDown') {
            e.preventDefault();
            setAt(Math.min(found.length - 1, at + 1));
          }
          if (e.key === 'ArrowUp') {
            e.preventDefault();
            setAt(Math.max(0, at - 1));
          }
          if (e.key === 'Enter') run(found[at]);
          if (e.key === 'Escape') setSearch(false);
        }}
      />
      <ul className={styles.list}>
        {found.map((c, i) => (
          <li key={`${c.name}-${c.hint}`}>
            <Press className={styles.command} aria-current={i === at} onClick={() => run(c)}>
              <span>{c.name}</span>
              <span className="mono soft">{c.hint}</span>
            </Press>
          </li>
        ))}
        {found.length === 0 && (
          <li className="soft" style={{ padding: 8 }}>
            Nothing by these words.
          </li>
        )}
      </ul>
    </div>
  );
}

/** What the open stage shows, to be taken along: tables to a spreadsheet, charts as files. */
function onPage(build: string, say: (words: string | null) => void): readonly Command[] {
  const tables = tablesOnPage().map(({ name, element }): Command => ({
    name: `Copy table: ${name}`,
    hint: 'clipboard',
    run: () =>
      void navigator.clipboard.writeText(tableToTsv(element)).then(
        () => say(`Copied: ${name}. Paste it into a spreadsheet.`),
        () => say('This browser does not let the page write to the clipboard.'),
      ),
  }));
  const charts = chartsOnPage().flatMap(({ name, element }): readonly Command[] => {
    const file = slug(`${build} ${name}`);
    return [
      {
        name: `Save chart: ${name}`,
        hint: 'SVG',
        run: () =>
          downloadBlob(`${file}.svg`, new Blob([chartToSvg(element)], { type: 'image/svg+xml' })),
      },
      {
        name: `Save chart as picture: ${name}`,
        hint: 'PNG',
        run: () =>
          void chartToPng(element).then((blob) => blob && downloadBlob(`${file}.png`, blob)),
      },
    ];
  });
  return [...tables, ...charts];
}
