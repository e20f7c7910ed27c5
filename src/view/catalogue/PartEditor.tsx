'use client';
import { useState } from 'react';
import { STANDARD_KIT } from '@/catalogue';
import { applyEdit, emptyDesign } from '@/core/design';
import { isComponentPart, type Part } from '@/core/components';
import { fieldsOf } from '@/format';
import { usePartLists, Press, TextInput } from '@/view/shared';
import { CurvePoints, type CurveOf, type TypedCurve } from '@/view/stages/curve';
import curveStyles from '@/view/stages/curve/CurveEditor.module.css';
import { msg } from '@/core/messages';
import { fieldWords } from './fieldWords';
import { optionalOf, optionalText, resized, withOptional } from './partChanges';
import { PartShape } from './shape/PartShape';
import styles from './CataloguePage.module.css';

const get = (p: unknown, path: string): unknown =>
  path.split('.').reduce<unknown>((v, k) => (v as Record<string, unknown> | undefined)?.[k], p);
const put = (p: Part, path: string, value: unknown): Part => {
  const copy = structuredClone(p) as unknown as Record<string, unknown>,
    keys = path.split('.'),
    last = keys.pop() as string;
  keys.reduce<Record<string, unknown>>((v, k) => v[k] as Record<string, unknown>, copy)[last] =
    value;
  return copy as unknown as Part;
};

/** Curves a part has, each with its words. */
function curvesOf(p: Part): readonly { readonly of: CurveOf['of']; readonly words: string }[] {
  return [
    ...(p.kind === 'pump'
      ? [{ of: 'head' as const, words: msg`Head over flow, at full speed` }]
      : []),
    ...(p.kind === 'fan'
      ? [{ of: 'pressure' as const, words: msg`Pressure over air, at full speed` }]
      : []),
    ...(p.kind === 'block' ? [{ of: 'resistance' as const, words: msg`K/W over flow` }] : []),
    ...('passages' in p
      ? p.passages.flatMap((x, i) =>
          x.points.length > 0
            ? [
                {
                  of: i + 1,
                  words:
                    p.passages.length > 1
                      ? msg`Pressure drop from ${x.from} to ${x.to}`
                      : msg`Pressure drop over flow`,
                },
              ]
            : [],
        )
      : []),
  ];
}

/** A part with other points for one of its curves: by the edit a build uses. */
function withCurve(
  part: Part,
  of: CurveOf['of'],
  { points, source }: NonNullable<TypedCurve>,
): Part {
  if (!isComponentPart(part)) return part;
  const held = {
      ...emptyDesign(msg`A part`, STANDARD_KIT),
      components: [
        { id: 'part', name: part.name, part, placement: { on: 'unplaced' } as const, settings: {} },
      ],
    },
    diagnostic = source.trim();
  return (
    applyEdit(held, {
      do: 'component.curve',
      component: 'part',
      of,
      points,
      ...(diagnostic ? { source: diagnostic } : {}),
    }).design.components[0]?.part ?? part
  );
}

/**
 * A part of one's own, every figure to be typed; kept when nothing contradicts itself, else it says
 * what does.
 */
export function PartEditor({ start, onDone }: { readonly start: Part; onDone(): void }) {
  const keep = usePartLists((s) => s.keep);
  const optional = optionalOf(start);
  const [part, setPart] = useState(start);
  const [text, setText] = useState<Readonly<Record<string, string>>>({});
  const [shownCurve, setShownCurve] = useState<CurveOf['of'] | null>(null);
  const [broken, setBroken] = useState(false);
  const [shaping, setShaping] = useState(false);
  const [diagnostic, setSaid] = useState<string | null>(null);
  const set = (path: string, typed: string): void => {
    setText({ ...text, [path]: typed });
    const before = get(start, path);
    if (typeof before === 'number') {
      const v = path === 'price_minor' ? Math.round(100 * Number(typed)) : Number(typed);
      if (typed.trim() !== '' && Number.isFinite(v))
        setPart(resized(part, path, v) ?? put(part, path, v));
    } else setPart(isOptional(path) ? withOptional(part, path, typed) : put(part, path, typed));
  };
  const isOptional = (path: string): boolean => optional.some((o) => o.path === path);
  const shown = (path: string): string =>
    text[path] ??
    (isOptional(path) ? optionalText(part, path) : undefined) ??
    (path === 'price_minor'
      ? String(Number(get(part, path)) / 100)
      : String(get(part, path) ?? ''));
  const bad = (path: string): boolean =>
    !isOptional(path) &&
    ((typeof get(start, path) === 'number' && !Number.isFinite(Number(shown(path)))) ||
      shown(path).trim() === '');
  const plain = fieldsOf(start).filter(
      (f) =>
        f !== 'id' &&
        !['pointsSource', 'resistanceSource'].includes(f) &&
        !optional.some((o) => o.path === f) &&
        typeof get(start, f) !== 'boolean',
    ),
    fields = [...plain, ...optional.map((o) => o.path)],
    curves = curvesOf(start);
  const wrong = fields.filter(bad);
  const typed = (now: TypedCurve): void => {
    setBroken(now === null);
    if (now && shownCurve !== null) setPart(withCurve(part, shownCurve, now));
  };
  const save = async (): Promise<void> => {
    const trouble = await keep(part);
    if (trouble) setSaid(trouble);
    else onDone();
  };
  return (
    <div className={styles.editor}>
      <div className={styles.fields}>
        {fields.map((f) => (
          <label key={f}>
            <span className="soft">
              {optional.find((o) => o.path === f)?.words ?? fieldWords(f)}
            </span>{' '}
            <TextInput
              value={shown(f)}
              maxLength={200}
              aria-invalid={bad(f)}
              onChange={(e) => set(f, e.target.value)}
            />
          </label>
        ))}
      </div>
      {isComponentPart(part) && (
        <>
          <p className={styles.row}>
            <Press
              className={styles.link}
              aria-expanded={shaping}
              onClick={() => setShaping(!shaping)}
            >
              {msg`Shape, ports, metals and limits`}
            </Press>
          </p>
          {shaping && (
            <PartShape
              part={part}
              onChange={(next) => {
                setPart(next);
                // Figures typed before that the shape has changed are told anew.
                setText({});
              }}
            />
          )}
        </>
      )}
      {curves.length > 0 && (
        <p className={styles.row}>
          {curves.map((c) => (
            <Press
              key={String(c.of)}
              className={styles.link}
              aria-expanded={shownCurve === c.of}
              disabled={broken}
              onClick={() => setShownCurve(shownCurve === c.of ? null : c.of)}
            >
              {c.words}
            </Press>
          ))}
        </p>
      )}
      {shownCurve !== null && isComponentPart(part) && (
        <div className={curveStyles.body}>
          <CurvePoints key={String(shownCurve)} part={part} of={shownCurve} onTyped={typed} />
        </div>
      )}
      {wrong.length > 0 && (
        <p role="alert" className={styles.trouble}>
          {msg`${wrong.map(fieldWords).join('; ')}: a number is missing.`}
        </p>
      )}
      {diagnostic && (
        <p role="alert" className={styles.trouble}>
          {diagnostic}
        </p>
      )}
      <p className={styles.row}>
        <Press
          className={styles.act}
          disabled={wrong.length > 0 || broken}
          onClick={() => void save()}
        >
          {msg`Save it to the catalogue`}
        </Press>
        <Press className={styles.quiet} onClick={onDone}>
          {msg`Leave it`}
        </Press>
      </p>
    </div>
  );
}
