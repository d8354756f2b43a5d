import { useState } from 'react';
import type { MeasuringTool } from '../../core/mix/index.ts';
import { toCanonical, type UnitSystem } from '../../core/units/index.ts';
import { t } from '../../words.ts';

const KEY = 'jack-plane.tool';

/** A tool that can be chosen, and how its one figure is read. */
export interface ToolChoice {
  key: MeasuringTool['kind'];
  name: string;
  tool: MeasuringTool;
  /** The unit its figure is typed in, and its size: g, ml or mm. */
  unit: string;
  per: number;
  /** One press of plus or minus, in that unit. */
  step: number;
}

const [OZ_G, FL_OZ_ML, IN_MM] = [toCanonical(1, 'oz') * 1000, toCanonical(1, 'usfloz') * 1000, 25.4];

const METRIC: readonly ToolChoice[] = [
  { key: 'scale', name: t`Scale`, tool: { kind: 'scale', stepG: 1 }, unit: 'g', per: 1, step: 1 },
  { key: 'cup', name: t`Graduated cup`, tool: { kind: 'cup', stepMl: 10 }, unit: 'ml', per: 1, step: 1 },
  { key: 'syringe', name: t`Syringe`, tool: { kind: 'syringe', stepMl: 1 }, unit: 'ml', per: 1, step: 1 },
  { key: 'stick', name: t`Dipstick in a pot`, tool: { kind: 'stick', potDiameterMm: 100, stepMm: 1 }, unit: 'mm', per: 1, step: 5 },
  { key: 'counted-cups', name: t`Counted cups`, tool: { kind: 'counted-cups', cupMl: 50 }, unit: 'ml', per: 1, step: 1 },
  { key: 'pump', name: t`Metering pumps`, tool: { kind: 'pump', strokeMl: 15 }, unit: t`ml per stroke`, per: 1, step: 1 },
]; // biome-ignore format: one tool a line

/** The same tools as they are marked in US units. */
const US: readonly ToolChoice[] = [
  { key: 'scale', name: t`Scale`, tool: { kind: 'scale', stepG: 0.05 * OZ_G }, unit: t`oz a mark`, per: OZ_G, step: 0.05 },
  { key: 'cup', name: t`Graduated cup`, tool: { kind: 'cup', stepMl: 0.5 * FL_OZ_ML }, unit: t`US fl oz a mark`, per: FL_OZ_ML, step: 0.25 },
  { key: 'syringe', name: t`Syringe`, tool: { kind: 'syringe', stepMl: 0.05 * FL_OZ_ML }, unit: t`US fl oz a mark`, per: FL_OZ_ML, step: 0.05 },
  { key: 'stick', name: t`Dipstick in a pot`, tool: { kind: 'stick', potDiameterMm: 4 * IN_MM, stepMm: IN_MM / 16 }, unit: t`in across the pot`, per: IN_MM, step: 0.25 },
  { key: 'counted-cups', name: t`Counted cups`, tool: { kind: 'counted-cups', cupMl: 2 * FL_OZ_ML }, unit: t`US fl oz a cup`, per: FL_OZ_ML, step: 0.5 },
  { key: 'pump', name: t`Metering pumps`, tool: { kind: 'pump', strokeMl: 0.5 * FL_OZ_ML }, unit: t`US fl oz a stroke`, per: FL_OZ_ML, step: 0.25 },
]; // biome-ignore format: one tool a line

export const toolsIn = (system: UnitSystem): readonly ToolChoice[] => (system === 'us' ? US : METRIC);

/** The one figure of a tool that differs from bench to bench. */
export function toolFigure(tool: MeasuringTool): number {
  switch (tool.kind) {
    case 'scale':
      return tool.stepG;
    case 'cup':
    case 'syringe':
      return tool.stepMl;
    case 'stick':
      return tool.potDiameterMm;
    case 'counted-cups':
      return tool.cupMl;
    case 'pump':
      return tool.strokeMl;
  }
}

export function withFigure(tool: MeasuringTool, value: number): MeasuringTool {
  switch (tool.kind) {
    case 'scale':
      return { ...tool, stepG: value };
    case 'cup':
    case 'syringe':
      return { ...tool, stepMl: value };
    case 'stick':
      return { ...tool, potDiameterMm: value };
    case 'counted-cups':
      return { ...tool, cupMl: value };
    case 'pump':
      return { ...tool, strokeMl: value };
  }
}

/** A tool as it was kept; null where nothing was, or what was cannot be one. */
function readTool(kept: string | null): MeasuringTool | null {
  try {
    const tool = JSON.parse(kept ?? 'null') as MeasuringTool | null;
    return tool && METRIC.some(({ key }) => key === tool.kind) && toolFigure(tool) > 0 ? tool : null;
  } catch {
    return null;
  }
}

/** The tool at this bench, kept on the device: one for each system of units, since its marks are in them. */
export function useTool(system: UnitSystem): [MeasuringTool, (tool: MeasuringTool) => void] {
  const key = system === 'us' ? `${KEY}.us` : KEY;
  const [own, setOwn] = useState<{ key: string; tool: MeasuringTool } | null>(null);
  const usual = toolsIn(system).find((each) => each.key === 'cup') as ToolChoice;
  const tool = own?.key === key ? own.tool : (readTool(localStorage.getItem(key)) ?? usual.tool);
  const choose = (next: MeasuringTool) => {
    localStorage.setItem(key, JSON.stringify(next));
    setOwn({ key, tool: next });
  };
  return [tool, choose];
}
