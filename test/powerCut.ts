import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdirSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';

/**
 * A disk whose power can be cut: an ext4 file system in a file. What lies in that file at any moment is what a disk would
 * hold; whatever was written and not flushed is still in memory, and not in a copy of it.
 */
export class CuttableDisk {
  readonly #folder = mkdtempSync(path.join(tmpdir(), 'jack-plane-disk-'));
  #cuts = 0;
  readonly mount: string;

  /** @throws where this machine has no loop devices or the process may not mount them */
  constructor(megabytes: number) {
    const image = path.join(this.#folder, 'disk.img');
    execFileSync('truncate', ['-s', `${megabytes}M`, image]);
    execFileSync('mkfs.ext4', ['-q', '-F', '-m', '0', image]);
    this.mount = this.#mounted(image, 'disk');
  }

  #mounted(image: string, name: string): string {
    const at = path.join(this.#folder, name);
    mkdirSync(at);
    execFileSync('mount', ['-o', 'loop', image, at]);
    return at;
  }

  /** The disk as it would be found after the power was cut now, mounted beside it. */
  cut(): { mount: string; release: () => void } {
    this.#cuts += 1;
    const image = path.join(this.#folder, `cut-${this.#cuts}.img`);
    copyFileSync(path.join(this.#folder, 'disk.img'), image);
    const mount = this.#mounted(image, `cut-${this.#cuts}`);
    return {
      mount,
      release: () => {
        execFileSync('umount', [mount]);
        rmSync(image);
      },
    };
  }

  remove(): void {
    execFileSync('umount', ['-l', this.mount]);
    rmSync(this.#folder, { recursive: true, force: true });
  }
}
