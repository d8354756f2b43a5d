import { useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { api } from '../api/client.ts';
import { OpenFile } from '../parts/OpenFile.tsx';

/** Many sheets from a CSV file: all of them or none, and what became of each. */
export function SheetsFile() {
  const client = useQueryClient();
  const [said, setSaid] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (file: File) => {
    try {
      const { added, changed, same } = await api<{ added: number; changed: number; same: number }>(
        'POST',
        '/products/csv',
        { csv: await file.text() },
      );
      setSaid(`${added} new, ${changed} with a next version, ${same} as they were.`);
      setProblem(null);
      await client.invalidateQueries();
    } catch (error) {
      setProblem(`${file.name} was not taken: ${(error as Error).message}`);
    }
  };
  return (
    <>
      {said && (
        <span role="status" className="self-center">
          {said}
        </span>
      )}
      {problem && (
        <span role="alert" className="text-error self-center font-semibold">
          {problem}
        </span>
      )}
      <OpenFile label="Open CSV" accept=".csv,text/csv" onFile={(file) => void read(file)} />
    </>
  );
}
