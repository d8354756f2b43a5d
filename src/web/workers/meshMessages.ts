import type { MeshRecord } from '../../contract/index.ts';
import type { Bounds, HullCuts, Placement } from '../../core/hull/index.ts';

/** What the page asks of the mesh worker. */
export type MeshRequest =
  | { kind: 'read'; name: string; bytes: ArrayBuffer; boat: { loaM: number; draughtM: number } }
  | { kind: 'cut'; placement: Placement; cuts: HullCuts }
  | { kind: 'write'; format: 'stl' | 'obj' };

export interface CutResult {
  zones: MeshRecord['zones'];
  hydrostatics: MeshRecord['hydrostatics'];
  warnings: string[];
  table: MeshRecord['table'];
  /** A likeness of the surface for looking at: corners in the boat's axes, and the zone of each face (255: none). */
  likeness: { corners: Float32Array; zone: Uint8Array };
}

/** Its answers; a refusal ends the request it belongs to. */
export type MeshAnswer =
  | { kind: 'progress'; phase: string; share: number }
  | { kind: 'read'; faces: number; guess: Placement; bounds: Bounds; warnings: string[] }
  | { kind: 'cut'; result: CutResult }
  | { kind: 'written'; format: 'stl' | 'obj'; bytes: ArrayBuffer }
  | { kind: 'refused'; message: string };
