import { useQueryClient } from '@tanstack/react-query';
import type { PlanSetup, PlanView } from '../../contract/index.ts';
import { useWrite } from '../api/mutations.ts';

/** Writes the plan's set-up with a change to it; what was placed by hand in the past is forgotten. */
export function useSetupWrite({ setup, from }: PlanView) {
  const write = useWrite<PlanSetup>();
  const client = useQueryClient();
  const pins = setup.pins.filter(({ start }) => Date.parse(start) >= Date.parse(from));
  return {
    isPending: write.isPending,
    change: (over: Partial<PlanSetup>) =>
      write.mutate(
        { method: 'PUT', path: '/plan/setup', body: { ...setup, pins, ...over } },
        // Somebody else changed the set-up: show the present one.
        { onError: () => client.invalidateQueries({ queryKey: ['plan'], exact: true }) },
      ),
  };
}
