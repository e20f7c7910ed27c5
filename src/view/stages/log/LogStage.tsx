'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { isMeasuredHere } from '@/core/design';
import { ranOn, serviceDue } from '@/core/log';
import { formatNumber, formatDate } from '@/core/units';
import { Segments } from '@/view/shared';
import { useDevices, useEditor } from '@/view/workspace';
import { counted, msg, worded, sentences } from '@/core/messages';
import { EmptyStage, Section, StageFrame } from '../frame/StageFrame';
import { DevicePanel } from './DevicePanel';
import { FirstHourView } from './FirstHourView';
import { ReadingList } from './ReadingList';
import { later } from '@/view/shared/later';
import styles from './LogStage.module.css';

// What is opened on demand loads then.
const AgainstView = dynamic(() => later(() => import('./AgainstView').then((m) => m.AgainstView)));
const LifeView = dynamic(() => later(() => import('./LifeView').then((m) => m.LifeView)));
const PapersView = dynamic(() => later(() => import('./PapersView').then((m) => m.PapersView)));

type Seen = 'first hour' | 'against' | 'life' | 'papers';
const VIEWS: readonly { readonly value: Seen; readonly label: string }[] = worded(() => [
  { value: 'first hour', label: msg`first hour` },
  { value: 'against', label: msg`predicted and measured` },
  { value: 'life', label: msg`years and service` },
  { value: 'papers', label: msg`quote and handover` },
]);

/** What the finished machine shows, what that says, and how it is kept. */
export function LogStage() {
  const design = useEditor((s) => s.design);
  const [view, setView] = useState<Seen>('first hour');
  const devices = useDevices(design.name);
  const { readings = [] } = design.choices.work ?? {};
  if (design.components.length === 0 || design.loops.length === 0)
    return (
      <EmptyStage
        stage="log"
        title={msg`Nothing to log yet`}
        text={msg`A machine with a loop comes first; its readings are set against the prediction
          here.`}
      />
    );
  const ran = ranOn(design);
  const [next] = serviceDue(design, ran);
  return (
    <StageFrame
      stage="log"
      title={titleOf(readings.length, isMeasuredHere(design))}
      sentence={
        ran === null
          ? msg`One hour with the finished machine, four settled states: the model is then
            corrected by it, and says from then on when something changes.`
          : sentences(
              msg`First run on ${formatDate(ran, 'day')}.`,
              next?.due && msg`Next: ${next.title}, ${formatDate(next.due, 'day')}.`,
            )
      }
      side={
        <>
          {view === 'first hour' && <DevicePanel devices={devices} />}
          <Section title={msg`Readings (${formatNumber(readings.length)})`}>
            <ReadingList readings={readings} />
          </Section>
          {view !== 'first hour' && <DevicePanel devices={devices} />}
        </>
      }
    >
      <div className={styles.views}>
        <Segments label={msg`Part of the log`} value={view} options={VIEWS} onPick={setView} />
      </div>
      {view === 'first hour' && <FirstHourView devices={devices} />}
      {view === 'against' && <AgainstView />}
      {view === 'life' && <LifeView ran={ran} />}
      {view === 'papers' && <PapersView />}
    </StageFrame>
  );
}

function titleOf(readings: number, isMeasured: boolean): string {
  if (readings === 0) return msg`No reading of the machine yet`;
  return isMeasured
    ? msg`${counted(readings, '# reading', '# readings')}; the model uses them`
    : msg`${counted(readings, '# reading', '# readings')} of the machine`;
}
