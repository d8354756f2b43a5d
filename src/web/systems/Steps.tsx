import {
  type Announcements,
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { GripVertical } from 'lucide-react';
import type { ReactNode } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import type { Step } from '../../contract/index.ts';
import type { JudgedStack } from '../../core/system/index.ts';
import { t } from '../../words.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { AddCoat } from './AddCoat.tsx';
import { StepLine } from './StepLine.tsx';
import type { StackContext } from './stackContext.ts';
import { type StackValues, stepOf } from './stackForm.ts';

/** The steps from the hull outwards: added, moved by hand or by key, taken away. */
export function Steps({
  steps,
  context,
  judged,
}: {
  /** The steps as they are typed. */
  steps: readonly Step[];
  context: StackContext;
  judged: JudgedStack | null;
}) {
  const { control } = useFormContext<StackValues>();
  const { fields, append, remove, move } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system } = useUnits();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 6 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const drop = ({ active, over }: DragEndEvent) => {
    const from = fields.findIndex((field) => field.key === active.id);
    const to = fields.findIndex((field) => field.key === over?.id);
    if (from >= 0 && to >= 0 && from !== to) move(from, to);
  };
  const place = (id: unknown) => fields.findIndex((field) => field.key === id) + 1;
  const announcements: Announcements = {
    onDragStart: ({ active }) => t`Picked up step ${place(active.id)}.`,
    onDragOver: ({ over }) => (over ? t`Position ${place(over.id)} of ${fields.length}.` : undefined),
    onDragEnd: ({ over }) => (over ? t`Dropped at position ${place(over.id)}.` : t`Move cancelled.`),
    onDragCancel: () => t`Move cancelled.`,
  };
  return (
    <div>
      {fields.length === 0 && (
        <p className="pb-3">{t`No coats yet. The first step you add goes on the surface itself.`}</p>
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{
          announcements,
          screenReaderInstructions: {
            draggable: t`Press Space to pick up the step, the arrow keys to move it, Space to drop it, Escape to cancel.`,
          },
        }}
      >
        <SortableContext items={fields.map((field) => field.key)} strategy={verticalListSortingStrategy}>
          <ol className="space-y-4">
            {fields.map((field, i) => (
              <Movable key={field.key} id={field.key} name={t`step ${i + 1}`}>
                <StepLine
                  index={i}
                  last={i === fields.length - 1}
                  context={context}
                  judged={judged?.layers[i]}
                  onRemove={() => remove(i)}
                  onMove={(by) => move(i, i + by)}
                />
              </Movable>
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      <AddCoat steps={steps} context={context} onAdd={(product) => append(stepOf(product, system))} />
    </div>
  );
}

/** A step that can be taken by its handle. */
function Movable({ id, name, children }: { id: string; name: string; children: ReactNode }) {
  const { attributes, listeners, setNodeRef, transform, transition } = useSortable({ id });
  const style = transform
    ? { transform: `translate(${transform.x}px, ${transform.y}px)`, transition }
    : { transition };
  return (
    <li ref={setNodeRef} style={style} className="flex gap-1">
      <button
        type="button"
        className="btn btn-ghost btn-sm btn-square mt-0.5 cursor-grab touch-none"
        {...attributes}
        {...listeners}
        aria-label={t`Move ${name}`}
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
      <div className="min-w-0 grow">{children}</div>
    </li>
  );
}
