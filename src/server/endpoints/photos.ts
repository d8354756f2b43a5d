import { idReply } from '../../contract/index.ts';
import { t } from '../../words.ts';
import { WrongKind } from '../db/files.ts';
import { handout, upload } from '../http/endpoint.ts';
import { inWrite, nothingBefore } from '../http/inWrite.ts';
import { idTaken } from '../http/problem.ts';
import { theBoat } from '../rows/boats.ts';
import { found } from '../rows/missing.ts';
import { incomingFile, insertPhotoOnce, photoById, photoFile, pictureOf } from '../rows/photos.ts';

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
  throw new WrongKind(t`A photo must be a JPEG, PNG or WebP file of up to 12 MB.`);
}

/** Photographs of findings: sent once under an id of the sender's, never changed. */
export const photoEndpoints = [
  upload({
    method: 'put',
    path: '/boats/:id/photos/:photoId',
    summary: 'Upload a photo (JPEG, PNG or WebP, up to 12 MB)',
    types: TYPES,
    mostBytes: LARGEST,
    reply: idReply,
    run: async ({ params, content }, context) => {
      const { db, files } = context;
      const { id: boatId, photoId: id } = params;
      await theBoat(db, boatId);
      // Under a name of its own until it is known whose it is: two may send at once.
      const came = incomingFile();
      const { hash, head } = await files.write(came, content, LARGEST, (sent) => void kindOf(sent.head));
      // Its name holds its content: under one name there is one picture, whoever sent it last.
      await files.rename(came, photoFile(id, hash));
      const { known, made } = await inWrite(context, nothingBefore, async ({ tx, now }) => {
        const row = { id, boatId, mime: kindOf(head), hash, takenAt: new Date(now) };
        return { ...(await insertPhotoOnce(tx, row)), changes: [] };
      });
      if (known.boatId !== boatId || known.hash !== hash) {
        if (known.hash !== hash) await files.remove(photoFile(id, hash));
        throw idTaken('photograph', id);
      }
      return { reply: { id }, made };
    },
  }),
  handout({
    path: '/photos/:id',
    summary: 'A photograph',
    types: TYPES,
    run: async ({ params }, { db, files }) => {
      const photo = found(await photoById(db, params.id), 'photo', params.id);
      const file = found((await pictureOf(files, photo)) ?? undefined, t`picture of photo`, photo.id);
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
