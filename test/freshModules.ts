import { IDBFactory } from 'fake-indexeddb';
import { vi } from 'vitest';

/** Packages are loaded once a process. Our own modules, and what a browser keeps, are new for each file: no file sees what another left. */
vi.resetModules();
globalThis.indexedDB = new IDBFactory();
if (typeof localStorage !== 'undefined') {
  localStorage.clear();
  sessionStorage.clear();
}
