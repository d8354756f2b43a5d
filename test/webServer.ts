import type { TestProject } from 'vitest/node';
import { closeShared, yardServer } from './yardServer.ts';

declare module 'vitest' {
  interface ProvidedContext {
    /** Address of one empty yard for all tests of pages; each puts its own boats on it. */
    webAddress: string;
  }
}

/** One server for the tests of pages, outside their make-believe browser. */
export async function setup(project: TestProject): Promise<() => Promise<void>> {
  const server = await yardServer(() => Date.now());
  project.provide('webAddress', server.address);
  return async () => {
    await server.stop();
    await closeShared();
  };
}
