import type { CSSProperties } from 'react';

/** Custom properties for a style sheet, as an element's style. */
export const cssVars = (vars: Readonly<Record<`--${string}`, string | number>>) => vars as CSSProperties;
