import { deflateSync, inflateSync, strFromU8, strToU8 } from 'fflate';
import { readProjectFile, writeProjectFile, type ImportRefusal, type ReadProject } from '@/core/project/file';
import type { Project } from '@/core/project/project';
import type { Ok, Refused } from '@/core/result';

/** Longer links are cut by what they are sent with. */
export const MAX_LINK_CHARACTERS = 16_000;
/** No link of ours unpacks to more. */
const MAX_SHARED_BYTES = 2_000_000;

/**
 * The fragment of a link that carries a whole project, without its time logs: its file, deflated, in letters that an
 * address may hold.
 */
export function shareFragment(project: Project): Ok<{ fragment: string }> | Refused<'too-long'> {
  const bytes = deflateSync(strToU8(writeProjectFile(project, '')), { level: 9 });
  const fragment = base64Url(bytes);
  return fragment.length > MAX_LINK_CHARACTERS ? { ok: false, reason: 'too-long' } : { ok: true, fragment };
}

/** The project that a link carries. */
export function readShareFragment(fragment: string): Ok<ReadProject> | ImportRefusal {
  if (fragment.length > MAX_LINK_CHARACTERS) return { ok: false, reason: 'too-large' };
  try {
    const bytes = inflateSync(fromBase64Url(fragment), { out: new Uint8Array(MAX_SHARED_BYTES) });
    return readProjectFile(strFromU8(bytes));
  } catch {
    return { ok: false, reason: 'not-json' };
  }
}

function base64Url(bytes: Uint8Array): string {
  let text = '';
  for (const byte of bytes) text += String.fromCharCode(byte);
  return btoa(text).replaceAll('+', '-').replaceAll('/', '_').replaceAll('=', '');
}

function fromBase64Url(text: string): Uint8Array {
  const bytes = atob(text.replaceAll('-', '+').replaceAll('_', '/'));
  return Uint8Array.from(bytes, (letter) => letter.charCodeAt(0));
}
