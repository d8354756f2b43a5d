import { Dialog, DialogPanel } from '@headlessui/react';
import { Command, defaultFilter } from 'cmdk';
import { useEffect, useRef, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { t } from '../../words.ts';
import { useBoard, useProducts } from '../api/queries.ts';
import { type PlaceGroups, sameAtBoat } from './places.ts';
import type { TypedEarly } from './useFindKey.ts';

/** Below this the letters typed are only strewn over a name. */
const WEAK = 0.05;

/** By what is read, not by the address it leads to: every word typed must be found, in any order. */
const byWords = (_value: string, search: string, keywords?: string[]) => {
  const name = keywords?.join(' ') ?? '';
  const score = Math.min(
    ...search
      .trim()
      .split(/\s+/)
      .map((word) => defaultFilter(name, word)),
  );
  return score < WEAK ? 0 : score;
};

/** Rows of a group shown at most: what is not among them is found by typing more. */
const MOST_ROWS = 50;

interface Found {
  to: string;
  name: string;
  /** What tells it from others of its name. */
  of?: string;
}

function Group({
  heading,
  rows,
  onTake,
}: {
  heading: string;
  rows: readonly Found[];
  onTake: (to: string) => void;
}) {
  if (rows.length === 0) return null;
  return (
    <Command.Group heading={heading}>
      {rows.slice(0, MOST_ROWS).map(({ to, name, of }) => (
        <Command.Item
          key={`${heading} ${to}`}
          value={`${heading} ${to}`}
          keywords={[name, of ?? '']}
          onSelect={() => onTake(to)}
        >
          <span>{name}</span>
          {of && <span className="ml-2 text-sm opacity-80">{of}</span>}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

const COMMANDS: readonly Found[] = [
  { to: '/boats/new', name: t`Add boat` },
  { to: '/materials/new', name: t`Add data sheet` },
  { to: '/materials/buy', name: t`Buy`, of: t`Materials` },
  { to: '/materials/stock', name: t`Stock and labels`, of: t`Materials` },
  { to: '/materials/count', name: t`Stock count`, of: t`Materials` },
  { to: '/materials/costs', name: t`Costs and quote`, of: t`Materials` },
  { to: '/materials/sheets', name: t`Data sheets`, of: t`Materials` },
  { to: '/weather', name: t`Add weather data` },
  { to: '/rules', name: t`Overcoating rules`, of: t`Reference` },
  { to: '/tools', name: t`Measuring tools`, of: t`Reference` },
  { to: '/glossary', name: t`Glossary`, of: t`Reference` },
];

/** One search over boats, areas, products, places and commands: typed loosely, worked by keyboard first. */
export function FindAnything({
  places,
  early,
  onClose,
}: {
  places: PlaceGroups;
  early: TypedEarly;
  onClose: () => void;
}) {
  const [typed, setTyped] = useState('');
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => field.current?.focus(), []);
  // From here on the field takes what is typed; what came before it stands in it.
  const takeEarly = () => {
    const before = early.current ?? '';
    early.current = null;
    if (before) setTyped((now) => before + now);
  };
  const navigate = useNavigate();
  const { pathname } = useLocation();
  const boats = useBoard().data?.boats ?? [];
  const products = useProducts().data ?? [];
  const take = (to: string) => {
    onClose();
    void navigate(to);
  };
  return (
    <Dialog open className="fixed inset-0 z-40 bg-black/50" onClose={onClose} aria-label={t`Find anything`}>
      <DialogPanel
        as={Command}
        label={t`Find anything`}
        filter={byWords}
        className="board bg-base-100 fixed inset-x-3 top-3 z-50 mx-auto max-w-xl p-3 md:top-16"
      >
        <Command.Input
          ref={field}
          className="input w-full text-lg"
          placeholder={t`Search boats, areas, products and pages`}
          value={typed}
          onValueChange={setTyped}
          onFocus={takeEarly}
        />
        <Command.List className="palette max-h-[70dvh] overflow-y-auto pt-2" label={t`Search results`}>
          <Command.Empty className="p-3">{t`No results for “${typed}”.`}</Command.Empty>
          <Group
            heading={t`Boats`}
            rows={boats.map(({ id, name }) => ({ to: sameAtBoat(pathname, id), name }))}
            onTake={take}
          />
          <Group heading={t`This boat`} rows={places.boat} onTake={take} />
          <Group heading={t`Yard`} rows={places.yard} onTake={take} />
          <Group heading={t`Actions and pages`} rows={COMMANDS} onTake={take} />
          {typed.trim() !== '' && (
            <>
              <Group
                heading={t`Areas (open bench)`}
                rows={boats.flatMap((boat) =>
                  boat.areas.map(({ areaId, areaName }) => ({
                    to: `/bench/${areaId}`,
                    name: areaName,
                    of: boat.name,
                  })),
                )}
                onTake={take}
              />
              <Group
                heading={t`Products`}
                rows={products.map(({ id, name }) => ({ to: `/materials/${id}`, name }))}
                onTake={take}
              />
            </>
          )}
        </Command.List>
      </DialogPanel>
    </Dialog>
  );
}
