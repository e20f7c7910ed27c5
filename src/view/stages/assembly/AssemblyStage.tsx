'use client';
import { useEditor } from '@/view/workspace';
import { StageFrame, Section } from '../frame/StageFrame';
import styles from './AssemblyStage.module.css';

const CAUTIONS: readonly { readonly title: string; readonly text: string }[] = [
  {
    title: 'Mains',
    text: 'Unplug and wait before touching wiring. Running a supply outside a running machine to power the pump is done only as its maker describes, with nothing else connected; anything on the mains side is for a qualified electrician under local rules.',
  },
  {
    title: 'Air test',
    text: 'Stay at or below the lowest rating in the loop (often about 0.5 bar). Clear plastic can burst: wear eye protection.',
  },
  {
    title: 'Heat gun and cutting',
    text: 'Burns, fire, fumes: ventilate. Saws, snips and cut sheet metal: gloves, eye protection, deburr.',
  },
  {
    title: 'Coolants',
    text: 'Ethylene glycol is poisonous, to pets above all; biocides irritate. Read the safety sheet, keep away from children, dispose of it by local rules.',
  },
  { title: 'Leaks', text: 'Power off, unplug, dry fully before powering again.' },
  {
    title: 'Lifting',
    text: 'A filled case is heavy and must not be carried by its radiators or tubes.',
  },
  {
    title: 'Warranty and return windows',
    text: 'Many makers void a warranty when a cooler is removed. Check before opening anything, and test used parts dry first.',
  },
];

/** Not here yet, and says so; the cautions that hold meanwhile are. */
export function AssemblyStage() {
  const name = useEditor((s) => s.design.name);
  return (
    <StageFrame
      title="Assembly is not here yet"
      sentence={`Steps for ${name} with what blocks what, a leak-test log and a fill calculator will come here. Until then, these cautions hold for every loop.`}
      side={
        <Section title="Where to go meanwhile">
          <p>
            The parts list (7) can be ordered from; the runs (6) can be measured against. Test the
            hardware dry on its own coolers before you take anything apart.
          </p>
        </Section>
      }
    >
      <dl className={styles.cautions}>
        {CAUTIONS.map((c) => (
          <div key={c.title}>
            <dt>{c.title}</dt>
            <dd>{c.text}</dd>
          </div>
        ))}
      </dl>
    </StageFrame>
  );
}
