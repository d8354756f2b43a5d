import { useState } from 'react';
import type { MeasuringTool } from '../../core/mix/index.ts';

const KEY = 'jack-plane.tool';

export const TOOLS: { key: MeasuringTool['kind']; name: string; tool: MeasuringTool; step: string }[] = [
  { key: 'scale', name: 'Scale', tool: { kind: 'scale', stepG: 1 }, step: 'g a mark' },
  { key: 'cup', name: 'Graduated cup', tool: { kind: 'cup', stepMl: 10 }, step: 'ml a mark' },
  { key: 'syringe', name: 'Syringe', tool: { kind: 'syringe', stepMl: 1 }, step: 'ml a mark' },
  {
    key: 'stick',
    name: 'Stick in a pot',
    tool: { kind: 'stick', potDiameterMm: 100, stepMm: 1 },
    step: 'mm across the pot',
  },
  { key: 'counted-cups', name: 'Counted cups', tool: { kind: 'counted-cups', cupMl: 50 }, step: 'ml a cup' },
  { key: 'pump', name: 'Pumps', tool: { kind: 'pump', strokeMl: 15 }, step: 'ml a stroke' },
];

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
    return tool && TOOLS.some(({ key }) => key === tool.kind) && toolFigure(tool) > 0 ? tool : null;
  } catch {
    return null;
  }
}

/** The tool at this bench, kept on the device. */
export function useTool(): [MeasuringTool, (tool: MeasuringTool) => void] {
  const [tool, setTool] = useState<MeasuringTool>(() => {
    return readTool(localStorage.getItem(KEY)) ?? { kind: 'cup', stepMl: 10 };
  });
  const choose = (next: MeasuringTool) => {
    localStorage.setItem(KEY, JSON.stringify(next));
    setTool(next);
  };
  return [tool, choose];
}
