'use client';
import Table from '@mui/material/Table';
import TableBody from '@mui/material/TableBody';
import TableCell from '@mui/material/TableCell';
import TableHead from '@mui/material/TableHead';
import TableRow from '@mui/material/TableRow';
import { ROOM_AIR } from '@/core/airflow';
import type { CaseAir } from '@/core/components';
import type { CaseReport } from '@/core/thermal';
import { freeId } from '@/core/design';
import { formatMeasure, formatShown, unitShown } from '@/core/units';
import { QuantityField, Check, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './CoolingStage.module.css';

type Vent = NonNullable<CaseAir['openings']>[number];
type Way = CaseReport['openings'][number];

/** Of a vent that is put in by hand: a small mesh, half open. */
const NEW_VENT = { area_cm2: 100, openShare: 0.5 } as const;

const placeName = (chambers: NonNullable<CaseAir['chambers']>, id: string): string => {
  if (id === ROOM_AIR) return msg`room`;
  return chambers.find((c) => c.id === id)?.name.toLowerCase() ?? msg`main chamber`;
};

/** Ways for air without a fan: what passes each, and how large it is. */
export function VentsTable() {
  const design = useEditor((s) => s.design);
  const analysis = useEditor((s) => s.analysis);
  const commit = useEditor((s) => s.commit);
  const report = analysis.reports.heat[design.brief.loadCase];
  // As the hand has it: one change more goes on from there.
  const shell = useEditor((s) => s.latest.case);
  if (!shell) return null;
  const own: CaseAir = shell.air ?? {};
  const vents = own.openings ?? [];
  const change = (label: string, air: CaseAir): void => commit(label, { do: 'case.air', air });
  const setVent = (id: string, values: Partial<Vent>): void =>
    change(msg`changed a vent`, {
      ...own,
      openings: vents.map((v) => (v.id === id ? { ...v, ...values } : v)),
    });
  const addVent = (): void => {
    const id = freeId(
      vents.map((v) => v.id),
      'vent',
    );
    change(msg`a vent more`, {
      ...own,
      openings: [...vents, { id, name: msg`Vent ${vents.length + 1}`, ...NEW_VENT }],
    });
  };
  const chambers = own.chambers ?? [];
  const leaks = report.openings.find((o) => o.id === 'leaks');
  return (
    <Section title={msg`Vents and gaps`}>
      <label className={styles.tick}>
        <Check
          checked={own.open === true}
          onChange={({ target: { checked } }) => {
            const { open: _open, ...rest } = own;
            change(
              checked ? msg`an open frame` : msg`a closed case`,
              checked ? { ...rest, open: true } : rest,
            );
          }}
        />{' '}
        {msg`An open frame: no case air`}
      </label>
      {!own.open && (
        <Table>
          <TableHead>
            <TableRow>
              <TableCell>{msg`way`}</TableCell>
              <TableCell className="num">{msg`size`}</TableCell>
              <TableCell className="num">{msg`open`}</TableCell>
              <TableCell className="num">{msg`${unitShown('m³/h')} in`}</TableCell>
              <TableCell />
            </TableRow>
          </TableHead>
          <TableBody>
            {report.openings
              .filter((o) => o.id !== 'leaks')
              .map((o) => (
                <VentRow
                  key={o.id}
                  way={o}
                  places={
                    chambers.length > 0
                      ? msg`${placeName(chambers, o.from)} to ${placeName(chambers, o.to)}`
                      : null
                  }
                  vent={vents.find((v) => v.id === o.id) ?? null}
                  onChange={(values) => setVent(o.id, values)}
                  onClose={() =>
                    change(msg`closed ${o.name}`, {
                      ...own,
                      openings: vents.filter((v) => v.id !== o.id),
                    })
                  }
                />
              ))}
            <TableRow>
              <TableCell>{msg`Seams and gaps`}</TableCell>
              <TableCell className="num">
                <QuantityField
                  label={msg`Size of all seams and gaps`}
                  hideLabel
                  width={48}
                  value={own.leakage_cm2 ?? leaks?.area_cm2 ?? 0}
                  quantity="area"
                  min={0}
                  max={2000}
                  onCommit={(v) => v !== null && change(msg`the leaks`, { ...own, leakage_cm2: v })}
                />
              </TableCell>
              <TableCell />
              <TableCell className="num">{formatShown(leaks?.airFlow_m3h ?? 0, 'm³/h')}</TableCell>
              <TableCell />
            </TableRow>
          </TableBody>
        </Table>
      )}
      <p>
        {!own.open && (
          <Press className={styles.put} onClick={addVent}>
            {msg`A vent more`}
          </Press>
        )}
      </p>
      <p className="soft">
        {msg`A mount without fans lets air through, too. Below 0 the air goes out. 45 cm² of
          seams, slot covers and cable gaps are usual (common practice, no source); an opening
          lets pass Q = 0.6 A √(2 Δp/ρ), mesh by its open share. Warm air rising by itself is
          left out.`}
      </p>
    </Section>
  );
}

/** One way for air: what the case's own data say of it can be changed, a free mount is as it is. */
function VentRow({
  way,
  places,
  vent,
  onChange,
  onClose,
}: {
  readonly way: Way;
  /** Between which chambers, where there are several. */
  readonly places: string | null;
  readonly vent: Vent | null;
  readonly onChange: (values: Partial<Vent>) => void;
  readonly onClose: () => void;
}) {
  const into_m3h = way.to === ROOM_AIR ? -way.airFlow_m3h : way.airFlow_m3h;
  return (
    <TableRow>
      <TableCell>
        {way.name}
        {places !== null && <span className="soft">, {places}</span>}
      </TableCell>
      <TableCell className="num">
        {vent ? (
          <QuantityField
            label={msg`Size of ${way.name}`}
            hideLabel
            width={48}
            value={way.area_cm2}
            quantity="area"
            min={1}
            max={5000}
            onCommit={(v) => v !== null && onChange({ area_cm2: v })}
          />
        ) : (
          formatMeasure(way.area_cm2, 'cm²')
        )}
      </TableCell>
      <TableCell className="num">
        {vent && (
          <QuantityField
            label={msg`Open share of ${way.name}`}
            hideLabel
            width={36}
            value={100 * (vent.openShare ?? 1)}
            quantity="share"
            min={5}
            max={100}
            onCommit={(v) => v !== null && onChange({ openShare: v / 100 })}
          />
        )}
      </TableCell>
      <TableCell className="num">{formatShown(into_m3h, 'm³/h')}</TableCell>
      <TableCell className="num">
        {vent && (
          <Press className={styles.put} aria-label={msg`Close ${way.name}`} onClick={onClose}>
            {msg`close`}
          </Press>
        )}
      </TableCell>
    </TableRow>
  );
}
