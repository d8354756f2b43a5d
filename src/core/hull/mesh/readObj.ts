import { QuantityError } from '../../units/index.ts';
import { checkNumbers } from './readStl.ts';
import { Scan } from './scan.ts';
import { type Progress, TELL_EVERY, type Triangles } from './triangles.ts';

/**
 * Faces of an OBJ file: its `v` and `f` lines; faces of more corners are cut into triangles from their first corner.
 * Corners counted backwards (−1 is the last point) are allowed; texture, normals, groups and materials are passed over.
 *
 * @throws {QuantityError} on a face that names a point which is not there, or a coordinate that is no number
 */
export function readObj(bytes: Uint8Array, onProgress: Progress = () => {}): Triangles {
  const scan = new Scan(bytes);
  const points: number[] = [];
  const corners: number[] = [];
  let faces = 0;
  for (let line = 0; !scan.done; line++) {
    scan.blanks();
    const byte = scan.bytes[scan.at];
    const next = scan.bytes[scan.at + 1];
    const alone = next === 32 || next === 9;
    if (byte === 118 && alone) {
      scan.at++;
      for (let k = 0; k < 3; k++) {
        scan.blanks();
        points.push(scan.number());
      }
    } else if (byte === 102 && alone) {
      scan.at++;
      faces++;
      readFace(scan, points.length / 3, faces, corners);
    }
    scan.line();
    if (line % TELL_EVERY === 0) onProgress(scan.at / bytes.length);
  }
  const triangles = new Float32Array(corners.length * 3);
  corners.forEach((point, i) => {
    for (let k = 0; k < 3; k++) triangles[i * 3 + k] = points[point * 3 + k] as number;
  });
  return checkNumbers(triangles);
}

function readFace(scan: Scan, known: number, face: number, corners: number[]): void {
  const own: number[] = [];
  for (scan.blanks(); !scan.atLineEnd; scan.blanks()) {
    const index = scan.whole();
    const point = index < 0 ? known + index : index - 1;
    if (!(point >= 0 && point < known)) {
      throw new QuantityError(`point number of face ${face}`, index, `one of the ${known} points before it`);
    }
    own.push(point);
    scan.word();
  }
  if (own.length < 3) throw new QuantityError(`corners of face ${face}`, own.length, '3 or more');
  for (let i = 1; i + 1 < own.length; i++) {
    corners.push(own[0] as number, own[i] as number, own[i + 1] as number);
  }
}

/** The faces as an OBJ file: every corner a point of its own, so that nothing is rounded. */
export function writeObj(triangles: Triangles): string {
  const lines = ['# Jack Plane'];
  for (let i = 0; i < triangles.length; i += 3) {
    lines.push(`v ${triangles[i]} ${triangles[i + 1]} ${triangles[i + 2]}`);
  }
  for (let i = 1; i <= triangles.length / 3; i += 3) lines.push(`f ${i} ${i + 1} ${i + 2}`);
  return `${lines.join('\n')}\n`;
}
