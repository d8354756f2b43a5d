import { register } from 'tsx/esm/api';

/** The database’s thread read from its source: in development and in tests, where nothing is built. */
register();
await import('./engineThread.ts');
