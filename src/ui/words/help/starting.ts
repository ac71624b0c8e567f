import type { Starting } from '@/core/size/starting';

/** What someone may want, as they would say it; and the name that such a project begins with. */
export const startingWords: Readonly<Record<Starting, { readonly what: string; readonly name: string }>> = {
  dark: { what: 'On when it gets dark', name: 'On in the dark' },
  light: { what: 'On when light comes in', name: 'On in the light' },
  beam: { what: 'When something crosses a beam', name: 'Beam' },
  level: { what: 'Show how bright it is', name: 'Brightness meter' },
  readings: { what: 'From my own readings', name: 'New project' },
};

/** What each sample shows, in one sentence, by its id. */
export const sampleSays: Readonly<Record<string, string>> = {
  'sample-platform-lamps': 'Shows the simplest way: a divider and one transistor, well measured.',
  'sample-larder-telltale': 'Shows the other way round: the LDR above, on when light comes in.',
  'sample-canoe-rack': 'Shows a design that cannot work as it stands, why, and the ways out of it.',
  'sample-hedgehog-hut': 'Shows a MOSFET, a relay and four cells: how long they last and where they stop.',
  'sample-seedling-shelf': 'Shows hysteresis wide enough for the load’s own light at the LDR.',
  'sample-drying-rack': 'Shows a ladder of five steps, each at a light of its own.',
  'sample-birdhouse-logger': 'Shows a microcontroller with two codes from its own LDR, and its program.',
  'sample-marble-gate': 'Shows a change detector that rings once for each marble.',
  'sample-moss-terrarium':
    'Shows a window: on only between two lights, with a band at each edge so that neither flickers.',
  'sample-cold-frame': 'Shows a timer IC whose own two thresholds keep a fan from coming and going.',
};
