import { TAG_LIMITS } from '@/store/storage';

/** Tags as they may be: trimmed, cut, none twice. */
export function cleanTags(tags: readonly string[]): readonly string[] {
  const clean = tags.map((tag) => tag.trim().slice(0, TAG_LIMITS.length).trim()).filter((tag) => tag !== '');
  return [...new Set(clean)].slice(0, TAG_LIMITS.count);
}
