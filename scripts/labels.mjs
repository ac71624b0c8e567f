/** Attributes of an element that someone reads or hears, one or another: what they say stands in ui/words. */
export const labelAttributes = 'label|title|aria-label|placeholder';
