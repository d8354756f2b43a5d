import { v7 as uuidv7 } from 'uuid';
import {
  formViewReply,
  hullFormInput,
  hullFormReply,
  type MeshRecord,
  writeOffsetsCsv,
} from '../../contract/index.ts';
import { checkOffsets, LARGEST_MESH_BYTES } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import { type FileStore, type Written, WrongKind } from '../db/files.ts';
import type { Tx } from '../db/open.ts';
import { csvFile, safeName } from '../documents/fileNames.ts';
import { handout, read, upload, write } from '../http/endpoint.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { theBoat } from '../rows/boats.ts';
import { drawnForm, formOfBoat, putForm } from '../rows/forms.ts';
import { Missing } from '../rows/missing.ts';
import { incomingFile } from '../rows/photos.ts';
import { formView } from '../views/boat.ts';

/** A boat's shape: table of offsets, mesh with its file, and which of them counts. */

/** A mesh sent and not yet recorded: takes the place of the kept one only together with its record, which names it. */
const sentMesh = (boatId: string, hash: string) => `${boatId}.${uuidv7()}.${hash}.mesh.sent`;

function checkMeshFile({ bytes, head }: Written): void {
  if (bytes === 0) throw new WrongKind(t`The file is empty. Send an STL or OBJ file.`);
  const first = head.toString('latin1').trimStart()[0];
  // A binary STL may begin with anything but says how many faces follow.
  const binary = bytes >= 84 && head.length >= 84 && bytes === 84 + 50 * head.readUInt32LE(80);
  if (!binary && (first === undefined || '{[<"'.includes(first))) {
    throw new WrongKind(t`The file isn’t STL or OBJ.`);
  }
}

const withoutFile = async (tx: Tx, boatId: string) => {
  const { meshFile: _, ...form } = await formOfBoat(tx, boatId);
  return form;
};

/** Files sent for a boat and not recorded yet, in the order in which they came. */
async function sentMeshes(files: FileStore, boatId: string): Promise<{ name: string; hash: string }[]> {
  const sent = (name: string) => name.startsWith(`${boatId}.`) && name.endsWith('.mesh.sent');
  return (await files.names())
    .filter(sent)
    .sort()
    .map((name) => ({ name, hash: name.split('.')[2] ?? '' }));
}

/**
 * The mesh's file under the name its record will count on: the one the record names where it was just sent, else the one kept if
 * that is the one. A record and a file that do not belong together are refused. What was sent stays until the record is
 * committed, and so is the file it replaces.
 */
async function takeMeshFile(
  files: FileStore,
  boatId: string,
  record: Pick<MeshRecord, 'fileHash'>,
  kept: { file: string | null; mesh: MeshRecord | null },
): Promise<{ name: string | null; hash: string | undefined }> {
  const { fileHash } = record;
  const sent = (await sentMeshes(files, boatId)).findLast(
    ({ hash }) => fileHash === undefined || hash === fileHash,
  );
  if (sent) {
    const name = `${boatId}.${uuidv7()}.mesh`;
    await files.alias(sent.name, name);
    return { name, hash: sent.hash };
  }
  const { file, mesh } = kept;
  if (fileHash === undefined || fileHash === mesh?.fileHash) return { name: file, hash: mesh?.fileHash };
  const message = t`no file with the hash ${fileHash} was sent for this boat: send the mesh first`;
  throw badFields([{ path: 'mesh.fileHash', message }]);
}

export const hullFormEndpoints = [
  read({
    path: '/boats/:id/form',
    summary: 'Get a boat’s hull form',
    reply: formViewReply,
    run: ({ params }, context) => formView(context, params.id),
  }),
  write({
    method: 'put',
    path: '/boats/:id/form',
    summary: 'Update the table of offsets, the mesh record and which one is used',
    body: hullFormInput,
    reply: hullFormReply,
    touches: ['form'],
    replaces: {
      what: t`hull form`,
      find: async (tx, params) => {
        await theBoat(tx, params.id);
        return withoutFile(tx, params.id);
      },
    },
    run: async ({ params, body }, { tx, files }) => {
      for (const [path, table] of [
        ['offsets', body.offsets],
        ['mesh.table', body.mesh?.table],
      ] as const) {
        try {
          if (table) checkOffsets(table);
        } catch (error) {
          throw badFields([{ path, message: (error as Error).message }]);
        }
      }
      const { meshFile, mesh: keptMesh } = await formOfBoat(tx, params.id);
      const { mesh } = body;
      const taken = mesh && (await takeMeshFile(files, params.id, mesh, { file: meshFile, mesh: keptMesh }));
      const record = mesh && { ...mesh, ...(taken?.hash && { fileHash: taken.hash }) };
      await putForm(tx, params.id, {
        ...body,
        mesh: record,
        version: body.version + 1,
        meshFile: taken?.name ?? null,
      });
      return {
        reply: await withoutFile(tx, params.id),
        changes: [{ of: 'form', boatId: params.id }],
        afterCommit: async () => {
          if ((taken?.name ?? null) === meshFile) return;
          for (const { name } of await sentMeshes(files, params.id)) await files.remove(name);
          if (meshFile) await files.remove(meshFile);
        },
      };
    },
  }),
  handout({
    path: '/boats/:id/offsets.csv',
    summary: 'Export the table of offsets as CSV',
    types: ['text/csv'],
    run: async ({ params }, { db }) => {
      const boat = await theBoat(db, params.id);
      const { table } = await drawnForm(db, boat);
      if (table === null)
        throw new HttpProblem(
          409,
          'no-hull-yet',
          t`The main dimensions of the hull are not known: there is no form to hand out.`,
        );
      return csvFile(t`${boat.name} offsets`, writeOffsetsCsv(table));
    },
  }),
  upload({
    method: 'put',
    path: '/boats/:id/mesh',
    summary: 'Upload a mesh file; used once the mesh record is saved',
    types: null,
    mostBytes: LARGEST_MESH_BYTES,
    run: async ({ params, content }, { db, files }) => {
      const boat = await theBoat(db, params.id);
      const came = incomingFile();
      const { hash } = await files.write(came, content, LARGEST_MESH_BYTES, checkMeshFile);
      await files.rename(came, sentMesh(boat.id, hash));
      return { reply: undefined, made: false, hash };
    },
  }),
  handout({
    path: '/boats/:id/mesh',
    summary: 'Download the original mesh file',
    types: ['application/octet-stream'],
    run: async ({ params }, { db, files }) => {
      const boat = await theBoat(db, params.id);
      const { mesh, meshFile } = await formOfBoat(db, boat.id);
      if (!mesh || !meshFile || !(await files.has(meshFile))) throw new Missing(t`mesh of`, boat.name);
      const ending = /\.obj$/i.test(mesh.fileName) ? 'obj' : 'stl';
      return {
        name: t`${safeName(boat.name)} mesh.${ending}`,
        type: 'application/octet-stream',
        content: files.read(meshFile),
      };
    },
  }),
];
