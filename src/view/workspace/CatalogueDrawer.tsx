'use client';
import { memo, useDeferredValue, useMemo, useState } from 'react';
import Drawer from '@mui/material/Drawer';
import { addSet, CATALOGUE, SETS, type PartSet } from '@/catalogue';
import { freeId, priceIn } from '@/core/design';
import { isComponentPart, PART_KINDS, type ComponentPart, type PartKind } from '@/core/components';
import { formatMoney } from '@/core/units';
import { byFit, defaultPlacements } from '@/core/checks';
import { useOffer, Press, TextInput } from '@/view/shared';
import { partFigures } from '@/view/catalogue/figures';
import { CompareTable } from '@/view/catalogue/CompareTable';
import { useCompared } from '@/view/catalogue/compared';
import { HeatSourceForm } from '@/view/catalogue/HeatSourceForm';
import { SheetEntry } from '@/view/catalogue/SheetEntry';
import { counted, msg, noted } from '@/core/messages';
import { useEditor } from './EditorProvider';
import styles from './Drawer.module.css';

const KINDS = (Object.keys(PART_KINDS) as PartKind[]).filter(
  (k) => PART_KINDS[k].component && CATALOGUE.some((p) => p.kind === k),
);

/** Parts shown at once. */
const MOST_SHOWN = 60;

/** The catalogue beside the build: one click puts a part in, at the most usual place that is free. */
export function CatalogueDrawer() {
  const open = useEditor((s) => s.drawer === 'stores');
  const setOpen = useEditor((s) => s.open);
  return (
    <Drawer
      anchor="right"
      open={open}
      onClose={() => setOpen(null)}
      slotProps={{ paper: { className: styles.paper as string, elevation: 0 } }}
    >
      {open && <Body />}
    </Drawer>
  );
}

function Body() {
  const components = useEditor((s) => s.design.components);
  const open = useEditor((s) => s.open);
  const storesAt = useEditor((s) => s.storesAt);
  const [kind, setKind] = useState<PartKind | 'sets'>(
    () => storesAt ?? KINDS.find((k) => !components.some((i) => i.part.kind === k)) ?? 'radiator',
  );
  const [text, setText] = useState('');
  const [entering, setEntering] = useState<'sheet' | 'watts' | null>(null);
  const putIn = usePutIn();
  const asked = useDeferredValue(text).toLowerCase().trim();
  return (
    <>
      <div className={styles.head}>
        <h1>{msg`Catalogue`}</h1>
        <Press className={styles.close} onClick={() => open(null)}>
          {msg`Close`}
        </Press>
      </div>
      <div className={styles.ways}>
        {entering !== null ? (
          <Press className={styles.close} onClick={() => setEntering(null)}>
            {msg`Back to the catalogue`}
          </Press>
        ) : (
          <>
            <Press className={styles.close} onClick={() => setEntering('sheet')}>
              {msg`Not here? Paste its datasheet`}
            </Press>
            <Press className={styles.close} onClick={() => setEntering('watts')}>
              {msg`Add a heat source by its watts`}
            </Press>
          </>
        )}
      </div>
      {entering === 'sheet' && (
        <SheetEntry
          onDone={(part) => {
            setEntering(null);
            if (part) setKind(part.kind);
          }}
        />
      )}
      {entering === 'watts' && (
        <HeatSourceForm
          onDone={(part) => {
            setEntering(null);
            setKind(part.kind);
            putIn(part);
          }}
        />
      )}
      {entering === null && (
        <>
          {' '}
          <TextInput
            className={styles.filter}
            aria-label={msg`Search the catalogue`}
            placeholder={msg`Search by name, size, figure`}
            value={text}
            onChange={(e) => setText(e.target.value)}
            onKeyDown={(e) => e.stopPropagation()}
          />
          <div className={styles.kinds}>
            {KINDS.map((k) => (
              <Press
                key={k}
                className={styles.kind}
                aria-pressed={asked === '' && k === kind}
                onClick={() => {
                  setText('');
                  setKind(k);
                }}
              >
                {PART_KINDS[k].many}
              </Press>
            ))}
            <Press
              className={styles.kind}
              aria-pressed={asked === '' && kind === 'sets'}
              onClick={() => {
                setText('');
                setKind('sets');
              }}
            >
              {msg`Sold as one`}
            </Press>
          </div>
          <CompareTable />
          <Sets asked={asked} shown={kind === 'sets'} />
          {(kind !== 'sets' || asked !== '') && (
            <Found asked={asked} kind={kind === 'sets' ? 'pump' : kind} />
          )}
        </>
      )}
    </>
  );
}

/** Pumps with their reservoir, blocks with their pump: added as one, at one price. */
function Sets({ asked, shown }: { readonly asked: string; readonly shown: boolean }) {
  const offer = useOffer();
  const words = asked.split(/\s+/).filter(Boolean);
  // What is retired is offered in no set either; some parts are made for their set alone.
  const isOffered = (p: ComponentPart): boolean =>
    offer.some((o) => o.id === p.id) || !CATALOGUE.some((c) => c.id === p.id);
  const found = SETS.filter((s) =>
    [s.first, ...s.others.map((o) => o.part)].every(isOffered),
  ).filter((s) =>
    words.length > 0
      ? words.every((w) => msg`${s.name} ${s.maker} set`.toLowerCase().includes(w))
      : shown,
  );
  return found.map((s) => <SetRow key={s.id} set={s} />);
}

function SetRow({ set }: { readonly set: PartSet }) {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  const add = (): void => {
    const { edit, component } = addSet(design, set);
    commit(msg`add ${set.name}`, edit);
    pick(component);
  };
  return (
    <Press className={styles.part} onClick={add} aria-label={msg`Add ${set.name}`}>
      <span>
        <strong>{set.name}</strong> <span className="soft">{set.maker}</span>
      </span>
      <span>{formatMoney(priceIn(design.brief, set.price_minor))}</span>
      <span className={styles.figures}>
        {[set.first, ...set.others.map((o) => o.part)]
          .map((p) => `${PART_KINDS[p.kind].one} ${partFigures(p)}`)
          .join('; ')}
      </span>
    </Press>
  );
}

/** What a search or a kind finds. A key typed does not wait for it. */
const Found = memo(function Found({
  asked,
  kind,
}: {
  readonly asked: string;
  readonly kind: PartKind;
}) {
  const offer = useOffer(),
    parts = useMemo(
      () =>
        offer.filter(isComponentPart).map((part) => ({
          part,
          words: `${part.name} ${part.maker} ${part.kind} ${partFigures(part)}`.toLowerCase(),
        })),
      [offer],
    );
  const shown = useMemo(() => {
    const words = asked.split(/\s+/).filter(Boolean);
    return parts
      .filter((p) =>
        words.length > 0 ? words.every((w) => p.words.includes(w)) : p.part.kind === kind,
      )
      .map((p) => p.part);
  }, [asked, kind, parts]);
  const design = useEditor((s) => s.design);
  const { fit, not } = useMemo(() => byFit(design, shown), [design, shown]);
  const rest = fit.length - MOST_SHOWN;
  return (
    <>
      {fit.slice(0, MOST_SHOWN).map((p) => (
        <PartRow key={p.id} part={p} why={null} />
      ))}
      {rest > 0 && (
        <p className="soft">{msg`And ${rest} more: say more of its name, size or figures.`}</p>
      )}
      {not.length > 0 && (
        <h2 className={styles.rest}>
          {msg`${counted(not.length, 'One does not fit', '# do not fit')} this build as it is`}
        </h2>
      )}
      {not.slice(0, MOST_SHOWN).map(({ part, why }) => (
        <PartRow key={part.id} part={part} why={why} />
      ))}
      {shown.length === 0 && (
        <p className="soft">{msg`No part by these words. Clear the search to see a whole kind.`}</p>
      )}
    </>
  );
});

const PartRow = memo(function PartRow({
  part,
  why,
}: {
  readonly part: ComponentPart;
  /** Why it does not fit this build; null when it does. */
  readonly why: string | null;
}) {
  const design = useEditor((s) => s.design);
  const putIn = usePutIn();
  const isCompared = useCompared((s) => s.parts.some((p) => p.id === part.id));
  const toggle = useCompared((s) => s.toggle);
  const there = design.components.filter((i) => i.part.id === part.id).length;
  return (
    <div className={styles.partRow}>
      <Press className={styles.part} onClick={() => putIn(part)} aria-label={msg`Add ${part.name}`}>
        <span>
          <strong>{part.name}</strong>{' '}
          <span className="soft">{noted(part.maker, there > 0 && msg`${there} in the build`)}</span>
        </span>
        <span>{formatMoney(priceIn(design.brief, part.price_minor))}</span>
        <span className={styles.figures}>
          {partFigures(part)}
          {why !== null && <em>; {why}</em>}
        </span>
      </Press>
      <Press
        className={styles.compare}
        aria-pressed={isCompared}
        aria-label={msg`Compare ${part.name}`}
        onClick={() => toggle(part)}
      >
        {isCompared ? msg`compared` : msg`compare`}
      </Press>
    </div>
  );
});

/** Puts a part into the build, at the most usual place that is free, and picks it. */
function usePutIn(): (part: ComponentPart) => void {
  const design = useEditor((s) => s.design);
  const commit = useEditor((s) => s.commit);
  const pick = useEditor((s) => s.pick);
  return (part) => {
    const id = freeId(
      design.components.map((i) => i.id),
      part.kind,
    );
    const name = freeName(
      design.components.map((i) => i.name),
      part.name,
    );
    const component = { id, part, name, settings: {} };
    const [first] = defaultPlacements(design, component);
    commit(msg`add ${part.name}`, {
      do: 'component.add',
      component: { ...component, placement: first?.placement ?? { on: 'unplaced' } },
    });
    pick(id);
  };
}

function freeName(taken: readonly string[], name: string): string {
  if (!taken.includes(name)) return name;
  let n = 2;
  while (taken.includes(`${name} (${n})`)) n += 1;
  return `${name} (${n})`;
}
