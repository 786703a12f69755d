/** Which checkout a running Brass Nut is of, told without saying where it lies. */
import { execFileSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { readlinkSync } from 'node:fs';

/** The same for every process begun in one folder; says nothing of the folder itself. */
export const checkoutId = (root: string): string => createHash('sha256').update(root).digest('hex').slice(0, 16);

export interface Holder {
  name: string;
  pid: number;
  /** Folder it was begun in; null where this user may not read it. */
  folder: string | null;
}

/** The process that listens on a port of this machine; null where the machine does not say. */
export function holderOf(port: number): Holder | null {
  try {
    const line = execFileSync('ss', ['-ltnpH', `sport = :${port}`], { encoding: 'utf8' });
    const [, name, pid] = /users:\(\("([^"]+)",pid=(\d+)/.exec(line) ?? [];
    return name && pid ? { name, pid: Number(pid), folder: folderOf(Number(pid)) } : null;
  } catch {
    return null;
  }
}

function folderOf(pid: number): string | null {
  try {
    return readlinkSync(`/proc/${pid}/cwd`);
  } catch {
    return null;
  }
}
