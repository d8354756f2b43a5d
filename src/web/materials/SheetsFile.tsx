import { useState } from 'react';
import { t } from '../../words.ts';
import { useWrite } from '../api/mutations.ts';
import { OpenFile } from '../parts/OpenFile.tsx';

/** Imports data sheets from a CSV file, every one or no sheet, and shows the result. */
export function SheetsFile() {
  const write = useWrite<{ added: number; changed: number; same: number }>({ atForm: true });
  const [fileName, setFileName] = useState('');
  const read = async (file: File) => {
    setFileName(file.name);
    write.mutate({ method: 'POST', path: '/products/csv', body: { csv: await file.text() } });
  };
  const { data: done, error } = write;
  return (
    <>
      {done && (
        <span
          role="status"
          className="self-center"
        >{t`Imported: ${done.added} new, ${done.changed} updated to a new version, ${done.same} unchanged.`}</span>
      )}
      {error && (
        <span role="alert" className="text-error self-center font-semibold">
          {t`Couldn’t import ${fileName}. ${error.message}`}
        </span>
      )}
      <OpenFile label={t`Import (CSV)`} accept=".csv,text/csv" onFile={(file) => void read(file)} />
    </>
  );
}
