export { fieldText, figure, formatQuantity, parseQuantity, shownUnit, type UnitSystem } from './display.ts';
export { positive, QuantityError, within } from './quantityError.ts';
export { fromCanonical, type Quantity, toCanonical, type Unit, unitDef } from './units.ts';
