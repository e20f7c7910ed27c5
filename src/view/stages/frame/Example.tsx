import type { ReactNode } from 'react';
import { formatKelvin, formatMeasure, formatNumber, formatWatts } from '@/core/units';
import { msg } from '@/core/messages';
import type { StageId } from '@/view/workspace';
import styles from './Example.module.css';

interface Drawn {
  /** What the drawing shows, for who does not see it. */
  readonly words: string;
  readonly drawing: ReactNode;
}

const WIDE = 460,
  HIGH = 220;

function Words({
  x,
  y,
  end = false,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly end?: boolean;
  readonly children: ReactNode;
}) {
  return (
    <text x={x} y={y} className={styles.words} textAnchor={end ? 'end' : 'start'}>
      {children}
    </text>
  );
}

/** Two axes with the sheet between them. */
const AXES = <path d="M40 16V184H440" className={styles.hair} />;

/** Bars of heat, one for each kind of load, a piece for each part. */
function heat(): Drawn {
  const loads = [
    [msg`Gaming`, [150, 90], 240],
    [msg`Render`, [90, 130], 220],
    [msg`Stress test`, [190, 130], 320],
  ] as const;
  return {
    words: msg`Bars of heat for each kind of load, with the draw of each part in them`,
    drawing: loads.map(([name, [card, processor], watts], i) => (
      <g key={name} transform={`translate(0 ${24 + 62 * i})`}>
        <Words x={4} y={0}>
          {name}
        </Words>
        <rect x={4} y={10} width={card} height={22} className={styles.fill} />
        <rect x={4 + card} y={10} width={processor} height={22} className={styles.box} />
        <Words x={12 + card + processor} y={26}>
          {formatWatts(watts)}
        </Words>
      </g>
    )),
  };
}

/** A case from the side: radiators at top and front, a board, a gap with its size. */
function inCase(): Drawn {
  return {
    words: msg`A case from its window side, with radiators, board and card, and a gap in millimetres`,
    drawing: (
      <>
        <rect x={60} y={10} width={330} height={196} className={styles.line} />
        <rect x={90} y={18} width={250} height={24} className={styles.fill} />
        <rect x={356} y={40} width={26} height={156} className={styles.fill} />
        <rect x={96} y={64} width={150} height={130} className={styles.box} />
        <rect x={96} y={132} width={216} height={26} className={styles.line} />
        <path
          d="M312 145H356M318 141L312 145L318 149M350 141L356 145L350 149"
          className={styles.aim}
        />
        <Words x={316} y={136}>
          {formatMeasure(12, 'mm')}
        </Words>
      </>
    ),
  };
}

/** Rise against noise, with the corner that the requirements ask for. */
function cooling(): Drawn {
  return {
    words: msg`A curve of coolant rise against noise, the corner that meets the requirements, and
      the fan speed as a handle on the curve`,
    drawing: (
      <>
        {AXES}
        <rect x={40} y={112} width={210} height={72} className={styles.corner} />
        <path d="M60 18C78 96 140 128 250 146S400 160 432 162" className={styles.line} />
        <circle cx={214} cy={140} r={7} className={styles.handle} />
        <Words x={84} y={26}>
          {formatKelvin(20)}
        </Words>
        <Words x={440} y={204} end>
          {msg`${formatNumber(40)} dBA`}
        </Words>
      </>
    ),
  };
}

/** The pump's curve and the loop's, and where they meet. */
function flow(): Drawn {
  return {
    words: msg`The pump's falling curve and the loop's rising one, with the flow where they meet`,
    drawing: (
      <>
        {AXES}
        <path d="M40 40C170 44 300 84 420 184" className={styles.line} />
        <path d="M40 184C180 176 280 124 350 24" className={styles.line} />
        <circle cx={283} cy={98} r={7} className={styles.handle} />
        <Words x={298} y={98}>
          {formatMeasure(3.1, 'L/min', { decimals: 1 })}
        </Words>
      </>
    ),
  };
}

/** Wetted materials against one another. */
function materials(): Drawn {
  const names = [msg`copper`, msg`brass`, msg`nickel`, msg`aluminium`];
  return {
    words: msg`A table of wetted metals against one another, with a mark where two may not meet`,
    drawing: names.map((name, row) => (
      <g key={name} transform={`translate(0 ${20 + 46 * row})`}>
        <Words x={4} y={22}>
          {name}
        </Words>
        {names.slice(0, row).map((other, column) => {
          const isTrouble = row === 3;
          return (
            <g key={other} transform={`translate(${120 + 84 * column} 0)`}>
              <rect width={76} height={36} className={styles.hair} />
              {isTrouble ? (
                <path d="M30 10L46 26M46 10L30 26" className={styles.aim} />
              ) : (
                <circle cx={38} cy={18} r={6} className={styles.good} />
              )}
            </g>
          );
        })}
      </g>
    )),
  };
}

/** A bent tube with the marks for its bends. */
function runs(): Drawn {
  return {
    words: msg`A tube between two ports with the length of each leg and a mark for each bend`,
    drawing: (
      <>
        <path
          d="M20 186H196A26 26 0 0 0 222 160V70A26 26 0 0 1 248 44H430"
          className={styles.tube}
        />
        <path d="M190 172V200M208 172V200M236 30V58M254 30V58" className={styles.aim} />
        <Words x={70} y={172}>
          {formatMeasure(186, 'mm')}
        </Words>
        <Words x={240} y={126}>
          {formatMeasure(142, 'mm')}
        </Words>
        <Words x={320} y={34}>
          {formatMeasure(214, 'mm')}
        </Words>
      </>
    ),
  };
}

/** A list with what asks for each line. */
function parts(): Drawn {
  const lines = [
    [2, msg`radiator`, 138],
    [8, msg`fitting`, 48],
    [1, msg`drain valve`, 12],
    [2, msg`tube, a metre`, 18],
  ] as const;
  return {
    words: msg`A list with quantities, names, prices and their sum`,
    drawing: (
      <>
        {lines.map(([count, name, price], i) => (
          <g key={name} transform={`translate(0 ${30 + 38 * i})`}>
            <Words x={4} y={0}>{`${formatNumber(count)} ×`}</Words>
            <Words x={56} y={0}>
              {name}
            </Words>
            <Words x={436} y={0} end>
              {formatNumber(price, { decimals: 2 })}
            </Words>
            <path d="M4 14H436" className={styles.hair} />
          </g>
        ))}
        <Words x={436} y={190} end>
          {formatNumber(216, { decimals: 2 })}
        </Words>
      </>
    ),
  };
}

/** Steps to tick off, beside what is put in. */
function assembly(): Drawn {
  const steps = [
    msg`Screw in the radiator`,
    msg`Set the block`,
    msg`Put in the tube`,
    msg`Test with air`,
  ];
  return {
    words: msg`Steps of the assembly to tick off, in order`,
    drawing: steps.map((step, i) => (
      <g key={step} transform={`translate(0 ${18 + 48 * i})`}>
        <rect x={4} y={0} width={22} height={22} className={styles.line} />
        {i < 2 && <path d="M9 11L14 17L23 5" className={styles.aim} />}
        <Words x={42} y={16}>
          {step}
        </Words>
      </g>
    )),
  };
}

/** Readings about the predicted line. */
function log(): Drawn {
  const readings = [
    [70, 118],
    [130, 104],
    [190, 112],
    [250, 96],
    [310, 101],
    [370, 82],
  ] as const;
  return {
    words: msg`Readings of the finished machine beside the temperature that was predicted`,
    drawing: (
      <>
        {AXES}
        <path d="M40 100H440" className={styles.line} />
        <rect x={40} y={78} width={400} height={44} className={styles.corner} />
        {readings.map(([x, y]) => (
          <circle key={x} cx={x} cy={y} r={5} className={styles.handle} />
        ))}
        <Words x={46} y={72}>
          {msg`predicted`}
        </Words>
      </>
    ),
  };
}

/** A stage without a drawing shows none; the requirements are never empty. */
const EXAMPLES: Readonly<Partial<Record<StageId, () => Drawn>>> = {
  heat,
  case: inCase,
  cooling,
  flow,
  materials,
  runs,
  parts,
  assembly,
  log,
};

/** What a stage will show, drawn on an example, while it has nothing to show. */
export function Example({ of }: { readonly of: StageId }) {
  const drawn = EXAMPLES[of]?.();
  if (!drawn) return null;
  const { words, drawing } = drawn;
  return (
    <figure className={styles.example}>
      <svg viewBox={`0 0 ${WIDE} ${HIGH}`} role="img" aria-label={words}>
        {drawing}
      </svg>
      <figcaption>{msg`What this page will show: an example, not your build.`}</figcaption>
    </figure>
  );
}
