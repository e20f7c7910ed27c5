'use client';
import { partFigures } from '@/view/catalogue/figures';
import { useOffer, Press } from '@/view/shared';
import { useEditor } from '@/view/workspace';
import { msg } from '@/core/messages';
import { EmptyStage } from '../frame/StageFrame';
import styles from './CaseStage.module.css';

/** The first thing of the stage: which case it is, or a ruler for one that is not among these. */
export function ChooseCase({ onMeasure }: { onMeasure(): void }) {
  const commit = useEditor((s) => s.commit);
  const cases = useOffer('case');
  return (
    <div className={styles.choose}>
      <EmptyStage
        stage="case"
        title={msg`Choose the case`}
        text={msg`The case decides where radiators can go, how thick they may be and where pump
          and reservoir are mounted. It can be changed later; parts keep their place where the
          new case has it.`}
      />
      <div className={styles.cases}>
        {cases.map((c) => (
          <Press
            key={c.id}
            className={styles.case}
            onClick={() => commit(msg`choose ${c.name}`, { do: 'case.choose', case: c })}
          >
            <strong>{c.name}</strong> <span className="soft">{c.maker}</span>
            <br />
            <span className="soft">{partFigures(c)}</span>
          </Press>
        ))}
        <Press className={styles.case} onClick={onMeasure}>
          <strong>{msg`A case of your own`}</strong>
          <br />
          <span className="soft">
            {msg`Not among these: measure it with a ruler, step by step, and see it drawn as you
              type.`}
          </span>
        </Press>
      </div>
    </div>
  );
}
