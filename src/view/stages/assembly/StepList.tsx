'use client';
import DragIndicator from '@mui/icons-material/DragIndicator';
import { Check, Press } from '@/view/shared';
import { DndContext, KeyboardSensor, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import type { Step } from '@/core/assembly';
import type { Work } from '@/core/design';
import { formatNumber } from '@/core/units';
import { msg } from '@/core/messages';
import styles from './AssemblyStage.module.css';

/** Every step with its mark; parts can be dragged into another turn. */
export function StepList({
  steps,
  work,
  open,
  onOpen,
  onMark,
  onMove,
}: {
  readonly steps: readonly Step[];
  readonly work: Work;
  readonly open: string | null;
  onOpen(step: string): void;
  onMark(step: Step, done: boolean): void;
  onMove(unit: string, before: string): void;
}) {
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  return (
    <DndContext
      id="steps"
      sensors={sensors}
      onDragEnd={({ active, over }) => {
        if (over && over.id !== active.id) onMove(String(active.id), String(over.id));
      }}
    >
      <SortableContext items={steps.map((s) => s.id)} strategy={verticalListSortingStrategy}>
        <ol className={styles.list} aria-label={msg`Steps`}>
          {steps.map((step, i) => (
            <StepRow
              key={step.id}
              step={step}
              number={i + 1}
              isDone={step.id in (work.done ?? {})}
              noted={step.id in (work.notes ?? {})}
              isOpen={step.id === open}
              onOpen={() => onOpen(step.id)}
              onMark={(done) => onMark(step, done)}
            />
          ))}
        </ol>
      </SortableContext>
    </DndContext>
  );
}

function StepRow({
  step,
  number,
  isDone,
  noted,
  isOpen,
  onOpen,
  onMark,
}: {
  readonly step: Step;
  readonly number: number;
  readonly isDone: boolean;
  readonly noted: boolean;
  readonly isOpen: boolean;
  onOpen(): void;
  onMark(done: boolean): void;
}) {
  const movable = step.unit !== null;
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({
    id: step.id,
    disabled: !movable,
  });
  return (
    <li
      ref={setNodeRef}
      className={styles.row}
      data-open={isOpen || undefined}
      data-done={isDone || undefined}
      style={{
        transform: transform ? `translateY(${Math.round(transform.y)}px)` : undefined,
        transition,
      }}
    >
      <Check
        aria-label={msg`Done: ${step.title}`}
        checked={isDone}
        onChange={({ target: { checked } }) => onMark(checked)}
      />
      <span className={styles.number}>{number}</span>
      <Press className={styles.name} onClick={onOpen} aria-current={isOpen}>
        {step.title}
        {step.trapped !== null && (
          <strong className={styles.trapped}> {msg`(does not go in)`}</strong>
        )}
        {noted && <span className="soft"> {msg`(noted)`}</span>}
      </Press>
      <span className={styles.minutes}>{formatNumber(step.minutes.practised)}</span>
      {movable ? (
        <Press
          className={styles.grip}
          {...attributes}
          {...listeners}
          aria-label={msg`Move ${step.title}`}
        >
          <DragIndicator fontSize="small" aria-hidden />
        </Press>
      ) : (
        <span />
      )}
    </li>
  );
}
