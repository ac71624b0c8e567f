/** Short names of the ordinary lights, as they stand on the ruler. */
export const placeNames: Readonly<Record<string, string>> = {
  'full-moon': 'full moon',
  'dusk-ends': 'dusk ends',
  'night-street': 'street',
  'living-room': 'living room',
  'desk-lamp': 'desk lamp',
  overcast: 'overcast',
  shade: 'shade',
  'direct-sun': 'sun',
};
