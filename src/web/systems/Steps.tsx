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
import { type ReactNode, useState } from 'react';
import { useFieldArray, useFormContext } from 'react-hook-form';
import { Link } from 'react-router';
import type { JudgedStack } from '../../core/system/index.ts';
import { useUnits } from '../units/UnitsContext.tsx';
import { StepLine } from './StepLine.tsx';
import type { StackContext } from './stackContext.ts';
import { type StackValues, stepOf } from './stackForm.ts';

/** The steps from the hull outwards: added, moved by hand or by key, taken away. */
export function Steps({ context, judged }: { context: StackContext; judged: JudgedStack | null }) {
  const { control } = useFormContext<StackValues>();
  const { fields, append, remove, move } = useFieldArray({ control, name: 'steps', keyName: 'key' });
  const { system } = useUnits();
  const [chosen, setChosen] = useState('');
  const product = context.products.find((p) => p.id === chosen) ?? context.products[0];
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
    onDragStart: ({ active }) => `Step ${place(active.id)} taken.`,
    onDragOver: ({ over }) => (over ? `Now at place ${place(over.id)} of ${fields.length}.` : undefined),
    onDragEnd: ({ over }) => (over ? `Put down at place ${place(over.id)}.` : 'Put back.'),
    onDragCancel: () => 'Put back.',
  };
  return (
    <div>
      {fields.length === 0 && (
        <p className="pb-3">No coats yet. The first one added goes on the bare surface.</p>
      )}
      <DndContext
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={drop}
        accessibility={{
          announcements,
          screenReaderInstructions: {
            draggable:
              'Space takes the step, the arrow keys move it, Space puts it down, Escape puts it back.',
          },
        }}
      >
        <SortableContext items={fields.map((field) => field.key)} strategy={verticalListSortingStrategy}>
          <ol className="space-y-4">
            {fields.map((field, i) => (
              <Movable key={field.key} id={field.key} name={`step ${i + 1}`}>
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
      {product ? (
        <div className="border-base-300 mt-4 flex flex-wrap items-end gap-2 border-t pt-4">
          <label className="grow">
            <span className="label-caps block pb-1">On top of that</span>
            <select
              className="select w-full"
              value={product.id}
              onChange={(event) => setChosen(event.target.value)}
            >
              {context.products.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
          <button type="button" className="btn" onClick={() => append(stepOf(product, system))}>
            Add this coat
          </button>
        </div>
      ) : (
        <p>
          There are no products yet.{' '}
          <Link className="link" to="/materials/new">
            Enter a product sheet
          </Link>{' '}
          first.
        </p>
      )}
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
        aria-label={`Move ${name}`}
      >
        <GripVertical size={16} aria-hidden="true" />
      </button>
      <div className="min-w-0 grow">{children}</div>
    </li>
  );
}
