import { v7 as uuidv7 } from 'uuid';
import { formViewReply, hullFormInput, hullFormReply, writeOffsetsCsv } from '../../contract/index.ts';
import { checkOffsets, LARGEST_MESH_BYTES } from '../../core/hull/index.ts';
import { type FileStore, type Written, WrongKind } from '../db/files.ts';
import type { Tx } from '../db/open.ts';
import { csvFile, safeName } from '../documents/fileNames.ts';
import { handout, read, upload, write } from '../http/endpoint.ts';
import { badFields, HttpProblem } from '../http/problem.ts';
import { theBoat } from '../rows/boats.ts';
import { drawnForm, formOfBoat, putForm } from '../rows/forms.ts';
import { Missing } from '../rows/missing.ts';
import { formView } from '../views/boat.ts';

/** A boat's shape: table of offsets, mesh with its file, and which of them counts. */

/** A mesh sent and not yet recorded: takes the place of the kept one only together with its record. */
const sentMesh = (boatId: string) => `${boatId}.mesh.sent`;

function checkMeshFile({ bytes, head }: Written): void {
  if (bytes === 0) throw new WrongKind('The file is empty: a mesh is an STL or OBJ file.');
  const first = head.toString('latin1').trimStart()[0];
  // A binary STL may begin with anything but says how many faces follow.
  const binary = bytes >= 84 && head.length >= 84 && bytes === 84 + 50 * head.readUInt32LE(80);
  if (!binary && (first === undefined || '{[<"'.includes(first))) {
    throw new WrongKind('The file is neither STL nor OBJ.');
  }
}

const withoutFile = async (tx: Tx, boatId: string) => {
  const { meshFile: _, ...form } = await formOfBoat(tx, boatId);
  return form;
};

/**
 * The mesh's file under the name its record will count on: the one just sent where there is one, else the one kept. What
 * was sent stays until the record is committed, and so does the one it takes the place of.
 */
async function takeMeshFile(files: FileStore, boatId: string, kept: string | null): Promise<string | null> {
  if (!(await files.has(sentMesh(boatId)))) return kept;
  const name = `${boatId}.${uuidv7()}.mesh`;
  await files.alias(sentMesh(boatId), name);
  return name;
}

export const hullFormEndpoints = [
  read({
    path: '/boats/:id/form',
    summary: 'What is known of the shape of a boat',
    reply: formViewReply,
    run: ({ params }, context) => formView(context, params.id),
  }),
  write({
    method: 'put',
    path: '/boats/:id/form',
    summary: 'Set the table of offsets, the mesh record, and which counts',
    body: hullFormInput,
    reply: hullFormReply,
    touches: ['form'],
    replaces: {
      what: 'hull form',
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
      const { meshFile } = await formOfBoat(tx, params.id);
      const taken = body.mesh ? await takeMeshFile(files, params.id, meshFile) : null;
      await putForm(tx, params.id, { ...body, version: body.version + 1, meshFile: taken });
      return {
        reply: await withoutFile(tx, params.id),
        changes: [{ of: 'form', boatId: params.id }],
        afterCommit: async () => {
          if (taken === meshFile) return;
          await files.remove(sentMesh(params.id));
          if (meshFile) await files.remove(meshFile);
        },
      };
    },
  }),
  handout({
    path: '/boats/:id/offsets.csv',
    summary: 'The table of offsets as CSV',
    types: ['text/csv'],
    run: async ({ params }, { db }) => {
      const boat = await theBoat(db, params.id);
      const { table } = await drawnForm(db, boat);
      if (table === null)
        throw new HttpProblem(
          409,
          'No hull yet',
          'The main dimensions of the hull are not known: there is no form to hand out.',
        );
      return csvFile(`${boat.name} offsets`, writeOffsetsCsv(table));
    },
  }),
  upload({
    method: 'put',
    path: '/boats/:id/mesh',
    summary: 'Send the file of a mesh; it counts once its record is set',
    types: null,
    mostBytes: LARGEST_MESH_BYTES,
    run: async ({ params, content }, { db, files }) => {
      const boat = await theBoat(db, params.id);
      await files.write(sentMesh(boat.id), content, LARGEST_MESH_BYTES, checkMeshFile);
      return { reply: undefined, changes: [], made: false };
    },
  }),
  handout({
    path: '/boats/:id/mesh',
    summary: 'The file of the mesh as it came',
    types: ['application/octet-stream'],
    run: async ({ params }, { db, files }) => {
      const boat = await theBoat(db, params.id);
      const { mesh, meshFile } = await formOfBoat(db, boat.id);
      if (!mesh || !meshFile || !(await files.has(meshFile))) throw new Missing('mesh of', boat.name);
      const ending = /\.obj$/i.test(mesh.fileName) ? 'obj' : 'stl';
      return {
        name: `${safeName(boat.name)} mesh.${ending}`,
        type: 'application/octet-stream',
        content: files.read(meshFile),
      };
    },
  }),
];
