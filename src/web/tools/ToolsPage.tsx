import { t } from '../../words.ts';
import { ConverterTool, OldPaintTool } from './oldCoats.tsx';
import { ReplicaTape, SaltPatch } from './readings.tsx';
import { BlastDayTool, WashDilution } from './washAndBlast.tsx';

/** Working tools of preparation: each reading to its figure, limit and verdict. */
export function ToolsPage() {
  return (
    <div className="space-y-8 p-3 md:p-6">
      <h1 className="text-2xl">{t`Tools`}</h1>
      <div className="grid grid-cols-1 items-start gap-x-10 gap-y-8 xl:grid-cols-2">
        <ReplicaTape />
        <SaltPatch />
        <BlastDayTool />
        <WashDilution />
        <ConverterTool />
        <OldPaintTool />
      </div>
    </div>
  );
}
