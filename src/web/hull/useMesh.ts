import { useCallback, useEffect, useRef, useState } from 'react';
import { checkMeshSize, type HullCuts, type Placement } from '../../core/hull/index.ts';
import { t } from '../../words.ts';
import type { CutResult, MeshAnswer, MeshRequest } from '../workers/meshMessages.ts';

/** Where a mesh stands on its way from a file to areas. */
export interface MeshState {
  file: { name: string; bytes: number } | null;
  working: { phase: string; share: number } | null;
  read: Extract<MeshAnswer, { kind: 'read' }> | null;
  cut: CutResult | null;
  problem: string | null;
}

const NONE: MeshState = { file: null, working: null, read: null, cut: null, problem: null };

/** The mesh worker: one file at a time, progress told, cancelled by ending it. */
export function useMesh(boat: { loaM: number; draughtM: number }) {
  const worker = useRef<Worker | null>(null);
  const written = useRef<((bytes: ArrayBuffer) => void) | null>(null);
  const [state, setState] = useState<MeshState>(NONE);
  const { loaM, draughtM } = boat;

  const stop = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
  }, []);
  useEffect(() => stop, [stop]);

  const ask = (request: MeshRequest, transfer: Transferable[] = []) => {
    setState((was) => ({ ...was, working: { phase: t`Starting`, share: 0 }, problem: null }));
    worker.current?.postMessage(request, transfer);
  };

  const open = useCallback(
    async (name: string, source: Blob) => {
      stop();
      try {
        checkMeshSize(name, source.size);
      } catch (error) {
        setState({ ...NONE, problem: (error as Error).message });
        return;
      }
      setState({ ...NONE, file: { name, bytes: source.size }, working: { phase: t`Opening`, share: 0 } });
      const made = new Worker(new URL('../workers/mesh.worker.ts', import.meta.url), { type: 'module' });
      worker.current = made;
      made.onerror = () =>
        setState((was) => ({
          ...was,
          working: null,
          problem: t`Couldn’t process the mesh. The device may be out of memory. Close other apps or use a smaller mesh.`,
        }));
      made.onmessage = ({ data }: MessageEvent<MeshAnswer>) => {
        if (data.kind === 'written') {
          written.current?.(data.bytes);
          written.current = null;
          setState((was) => ({ ...was, working: null }));
          return;
        }
        setState((was) => {
          switch (data.kind) {
            case 'progress':
              return { ...was, working: { phase: data.phase, share: data.share } };
            case 'read':
              return { ...was, working: null, read: data, cut: null };
            case 'cut':
              return { ...was, working: null, cut: data.result };
            case 'refused':
              return { ...was, working: null, problem: data.message };
          }
        });
      };
      const bytes = await source.arrayBuffer();
      if (worker.current === made)
        made.postMessage({ kind: 'read', name, bytes, boat: { loaM, draughtM } }, [bytes]);
    },
    [stop, loaM, draughtM],
  );
  const cancel = useCallback(() => {
    stop();
    setState(NONE);
  }, [stop]);

  return {
    ...state,
    open,
    cutAt: (placement: Placement, cuts: HullCuts) => ask({ kind: 'cut', placement, cuts }),
    write: (format: 'stl' | 'obj') =>
      new Promise<ArrayBuffer>((resolve) => {
        written.current = resolve;
        ask({ kind: 'write', format });
      }),
    cancel,
  };
}
