import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { useFormContext, useWatch } from 'react-hook-form';
import { v7 as uuidv7 } from 'uuid';
import { t } from '../../words.ts';
import type { FindingValues } from './findingValues.ts';

/** Longest side of a photograph as kept, px: enough to see a hairline crack, small enough to send from a yard. */
const LONGEST_PX = 2000;

/** A photograph made smaller on the device that took it. */
async function smaller(file: File): Promise<Blob> {
  const picture = await createImageBitmap(file);
  const share = Math.min(1, LONGEST_PX / Math.max(picture.width, picture.height));
  if (share === 1 && file.size < 2_000_000) return file;
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(picture.width * share);
  canvas.height = Math.round(picture.height * share);
  canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
  return new Promise((resolve, reject) => {
    canvas.toBlob(
      (blob) => (blob ? resolve(blob) : reject(new Error('Couldn’t read the photo'))),
      'image/jpeg',
      0.86,
    );
  });
}

/** Photographs of a finding: sent as they are chosen, kept with it when it is saved. */
export function Photos({ boatId }: { boatId: string }) {
  const { control, setValue } = useFormContext<FindingValues>();
  const ids = useWatch({ control, name: 'photoIds' });
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const set = (next: string[]) => setValue('photoIds', next, { shouldDirty: true });
  const add = async (files: readonly File[]) => {
    setBusy(true);
    setProblem(null);
    const sent: string[] = [];
    try {
      for (const file of files) {
        const body = await smaller(file).catch(() => {
          throw new Error(
            `Couldn’t read ${file.name}. Choose a photo in a common format such as JPEG or PNG.`,
          );
        });
        const id = uuidv7();
        const response = await fetch(`/api/v1/boats/${boatId}/photos/${id}`, {
          method: 'PUT',
          body,
          headers: { 'content-type': body.type },
        });
        if (!response.ok)
          throw new Error(`Couldn’t upload ${file.name}. Check the connection and try again.`);
        sent.push(id);
      }
    } catch (error) {
      setProblem((error as Error).message);
    } finally {
      set([...ids, ...sent]);
      setBusy(false);
    }
  };
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        {ids.map((id, i) => (
          <figure key={id} className="relative">
            <img
              src={`/api/v1/photos/${id}`}
              alt={t`View ${i + 1} of this finding`}
              className="h-24 w-32 object-cover"
            />
            <button
              type="button"
              className="btn btn-sm absolute top-1 right-1"
              aria-label={t`Remove photo ${i + 1}`}
              onClick={() => set(ids.filter((each) => each !== id))}
            >
              <Trash2 size={16} aria-hidden="true" />
            </button>
          </figure>
        ))}
      </div>
      <label className="btn btn-sm">
        {busy ? t`Sending…` : t`Add photographs`}
        <input
          type="file"
          accept="image/*"
          multiple
          disabled={busy}
          className="sr-only"
          onChange={(event) => {
            const files = [...(event.target.files ?? [])];
            if (files.length) void add(files);
            event.target.value = '';
          }}
        />
      </label>
      {problem && (
        <p role="alert" className="text-error font-semibold">
          {problem}
        </p>
      )}
    </div>
  );
}
