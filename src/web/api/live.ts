import type { QueryClient } from '@tanstack/react-query';

/** Which queries a change touches: nearly everything hangs on areas, log and air, so few are spared. */
const TOUCHES: Record<string, readonly string[]> = {
  yard: ['yard', 'slip', 'weather'],
  boats: ['slip', 'boat', 'log', 'form'],
  areas: ['slip', 'boat', 'stacks', 'bench', 'clock', 'log', 'form'],
  survey: ['boat', 'bench'],
  form: ['slip', 'boat', 'form', 'waterline', 'bench'],
  products: ['products', 'slip', 'bench', 'clock', 'boat'],
  stacks: ['stacks', 'templates', 'slip', 'bench', 'clock', 'boat'],
  log: ['slip', 'bench', 'clock', 'boat', 'log', 'stacks'],
  weather: ['weather', 'slip', 'bench', 'clock', 'boat'],
};

/** Listens for changes made on other screens and asks again for what they touch. Returns how to stop. */
export function followChanges(client: QueryClient): () => void {
  const source = new EventSource('/api/v1/events');
  source.addEventListener('change', (event) => {
    const { topic } = JSON.parse((event as MessageEvent<string>).data) as { topic: string };
    for (const key of TOUCHES[topic] ?? []) void client.invalidateQueries({ queryKey: [key] });
  });
  return () => source.close();
}
