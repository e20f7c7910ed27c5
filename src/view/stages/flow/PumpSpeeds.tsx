'use client';
import Slider from '@mui/material/Slider';
import { findComponent, type Component } from '@/core/design';
import type { PumpFlow } from '@/core/hydraulics';
import type { PumpPart } from '@/core/components';
import { formatFlow, formatMeasure } from '@/core/units';
import { QuantityField } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { Section } from '../frame/StageFrame';
import styles from './FlowStage.module.css';

type Pump = PumpFlow & { readonly component: Component; readonly part: PumpPart };

/** Each pump's speed, and the flow the brief asks for. */
export function PumpSpeeds({
  pumps,
  target,
}: {
  readonly pumps: readonly Pump[];
  readonly target: number;
}) {
  const commit = useEditor((s) => s.commit);
  return (
    <Section title={pumps.length > 1 ? msg`Pump speeds` : msg`Pump speed`}>
      {pumps.map(({ component, part, speed_rpm, head_m, flow_Lmin }) => (
        <div key={component.id} className={styles.pump}>
          <div className={styles.pumpHead}>
            <span>
              {component.name}{' '}
              <span className="soft">
                {msg`${formatMeasure(head_m, 'm', { decimals: 2 })} at ${formatFlow(flow_Lmin)}`}
              </span>
            </span>
            <QuantityField
              label={msg`Speed of ${component.name}`}
              hideLabel
              width={52}
              value={speed_rpm}
              quantity="speed"
              min={part.minSpeed_rpm}
              max={part.fullSpeed_rpm}
              onCommit={(v) =>
                v !== null &&
                commit(msg`set the speed of ${component.name}`, {
                  do: 'component.set',
                  component: component.id,
                  values: { speed_rpm: v },
                })
              }
            />
          </div>
          <SpeedSlider component={component} part={part} speed_rpm={speed_rpm} />
        </div>
      ))}
      {pumps.length === 0 && <p>{msg`No pump in this loop.`}</p>}
      <QuantityField
        label={msg`Flow wanted`}
        value={target}
        quantity="flow"
        decimals={1}
        min={0.1}
        max={30}
        onCommit={(v) =>
          v !== null && commit(msg`set the flow`, { do: 'brief.limit', values: { flow_Lmin: v } })
        }
      />
    </Section>
  );
}

/** What is under the hand moves with it; flow and head follow when they are worked out. */
function SpeedSlider({
  component: { id, name },
  part,
  speed_rpm,
}: Pick<Pump, 'component' | 'part' | 'speed_rpm'>) {
  const commit = useEditor((s) => s.commit);
  const asked_rpm = useEditor((s) => findComponent(s.latest, id)?.settings.speed_rpm);
  return (
    <Slider
      size="small"
      aria-label={msg`Speed of ${name}`}
      min={part.minSpeed_rpm}
      max={part.fullSpeed_rpm}
      step={50}
      value={asked_rpm ?? speed_rpm}
      valueLabelDisplay="off"
      onChange={(_, v) =>
        commit(
          msg`set the speed of ${name}`,
          { do: 'component.set', component: id, values: { speed_rpm: v as number } },
          `pump-${id}`,
        )
      }
    />
  );
}
