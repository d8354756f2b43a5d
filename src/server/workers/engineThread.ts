import { type MessagePort, workerData } from 'node:worker_threads';
import { types } from '@electric-sql/pglite';
import { startEngine } from '../db/engine.ts';
import type { Answer, Question } from '../db/threadEngine.ts';
import { watchOver } from './watchdog.ts';

/** The embedded database in a thread of its own: it answers one statement after another, in the order they arrive. */

const asIs = (value: string) => value;
/** Times and dates stay text, as the query builder reads them; so do lists of them (their type numbers from pg_type). */
const PARSERS = Object.fromEntries(
  [types.TIMESTAMP, types.TIMESTAMPTZ, types.INTERVAL, types.DATE, 1231, 1115, 1185, 1187, 1182].map(
    (type) => [type, asIs],
  ),
);

const { folder, port, answered } = workerData as { folder: string; port: MessagePort; answered: Int32Array };
const reply = (answer: Answer) => {
  port.postMessage(answer);
  Atomics.add(answered, 0, 1);
  Atomics.notify(answered, 0);
};

/** An error with the fields that PostgreSQL gave it: copied between threads an error loses them. */
function errorFields(error: unknown): Extract<Answer, { error: unknown }>['error'] {
  if (!(error instanceof Error)) return { name: 'Error', message: String(error), fields: {} };
  const fields = Object.entries(error).filter(([, value]) => typeof value === 'string');
  return { name: error.name, message: error.message, fields: Object.fromEntries(fields) };
}

watchOver();
try {
  const engine = await startEngine(folder);
  const answer = async (question: Question): Promise<unknown> => {
    switch (question.ask) {
      case 'query': {
        const { rows, fields, affectedRows } = await engine.query(question.text, question.params, {
          rowMode: question.rowMode,
          parsers: PARSERS,
        });
        return { rows, fields, affectedRows };
      }
      case 'close':
        return engine.close();
    }
  };
  port.on('message', (question: Question) => {
    answer(question).then(
      (value) => reply({ id: question.id, value }),
      (error) => reply({ id: question.id, error: errorFields(error) }),
    );
  });
  reply({ id: 0, value: undefined });
} catch (error) {
  reply({ id: 0, error: errorFields(error) });
}
