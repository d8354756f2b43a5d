import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react';
import {
  formatQuantity,
  type Quantity,
  type Sentence,
  shownUnit,
  type UnitSystem,
  unitDef,
  writeSentence,
} from '../../core/units/index.ts';

const KEY = 'jack-plane.units';

export interface Units {
  system: UnitSystem;
  choose: (system: UnitSystem) => void;
  /** A canonical value as this user reads it. */
  show: (value: number, quantity: Quantity, options?: { allowSmall?: boolean; digits?: number }) => string;
  /** A sentence of the core with its figures as this user reads them. */
  write: (sentence: Sentence) => string;
  /** The symbol of the unit in which a quantity is typed. */
  symbol: (quantity: Quantity) => string;
}

const Context = createContext<Units | null>(null);

/** The user's choice of metric or US figures, kept on the device. */
export function UnitsProvider({ children }: { children: ReactNode }) {
  const [system, setSystem] = useState<UnitSystem>(localStorage.getItem(KEY) === 'us' ? 'us' : 'metric');
  const choose = useCallback((next: UnitSystem) => {
    localStorage.setItem(KEY, next);
    setSystem(next);
  }, []);
  const units = useMemo<Units>(
    () => ({
      system,
      choose,
      show: (value, quantity, options) => formatQuantity(value, quantity, system, options),
      write: (sentence) => writeSentence(sentence, system),
      symbol: (quantity) => unitDef(shownUnit(quantity, system)).symbol,
    }),
    [system, choose],
  );
  return <Context value={units}>{children}</Context>;
}

export function useUnits(): Units {
  const units = useContext(Context);
  if (!units) throw new Error('useUnits outside UnitsProvider');
  return units;
}
