import { idReply } from '../../contract/index.ts';
import { WrongKind } from '../db/files.ts';
import { handout, upload } from '../http/endpoint.ts';
import { idTaken } from '../http/problem.ts';
import { theBoat } from '../rows/boats.ts';
import { found } from '../rows/missing.ts';
import { insertPhoto, photoById, photoFile } from '../rows/photos.ts';

const TYPES = ['image/jpeg', 'image/png', 'image/webp'] as const;
const LARGEST = 12 * 1024 * 1024;
const ENDINGS: Record<string, string> = { 'image/jpeg': 'jpg', 'image/png': 'png', 'image/webp': 'webp' };

/** What the first bytes say a picture is: the sender's word for it is not enough. */
function kindOf(head: Buffer): (typeof TYPES)[number] {
  if (head.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff]))) return 'image/jpeg';
  if (head.subarray(0, 8).equals(Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])))
    return 'image/png';
  if (head.toString('latin1', 0, 4) === 'RIFF' && head.toString('latin1', 8, 12) === 'WEBP')
    return 'image/webp';
  throw new WrongKind('A photograph is a JPEG, PNG or WebP of up to 12 MB.');
}

/** Photographs of findings: sent once under an id of the sender's, never changed. */
export const photoEndpoints = [
  upload({
    method: 'put',
    path: '/boats/:id/photos/:photoId',
    summary: 'A photograph is a JPEG, PNG or WebP of up to 12 MB',
    types: TYPES,
    mostBytes: LARGEST,
    reply: idReply,
    run: async ({ params, content }, { db, files, now }) => {
      const { id: boatId, photoId: id } = params;
      await theBoat(db, boatId);
      const known = await photoById(db, id);
      // Beside the one that may be there already, until both are known to be the same.
      const beside = `${photoFile(id)}.new`;
      const { hash, head } = await files.write(beside, content, LARGEST, (came) => void kindOf(came.head));
      const done = { reply: { id }, changes: [] };
      if (known) {
        await files.remove(beside);
        if (known.boatId !== boatId || known.hash !== hash) throw idTaken('photograph', id);
        return { ...done, made: false };
      }
      await files.rename(beside, photoFile(id));
      await insertPhoto(db, { id, boatId, mime: kindOf(head), hash, takenAt: new Date(now()) });
      return { ...done, made: true };
    },
  }),
  handout({
    path: '/photos/:id',
    summary: 'A photograph',
    types: TYPES,
    run: async ({ params }, { db, files }) => {
      const photo = found(await photoById(db, params.id), 'photo', params.id);
      const file = photoFile(photo.id);
      if (!(await files.has(file))) found(undefined, 'picture of photo', photo.id);
      return {
        name: `photo.${ENDINGS[photo.mime] ?? 'bin'}`,
        type: photo.mime,
        content: files.read(file),
        immutable: true,
        inline: true,
      };
    },
  }),
];
