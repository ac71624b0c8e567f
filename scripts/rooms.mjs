// The rooms of the sources, and which may import from which.

/**
 * Rooms from the top down: each may import from itself and from those after it. Within the core the same holds, so
 * that the circuit, for one, knows nothing of LDRs.
 */
const rooms = ['app', 'offline', 'screens', 'ui', 'workers', 'devices', 'store', 'core'];
const coreRooms = [
  'report',
  'points',
  'faults',
  'siting',
  'build',
  'spread',
  'simulate',
  'compare',
  'advise',
  'size',
  'analyse',
  'project',
  'operate',
  'detectors',
  'drivers',
  'loads',
  'practice',
  'live',
  'readings',
  'ldr',
  'meter',
  'light',
  'series',
  'logbook',
  'parts',
  'board',
  'circuit',
  'numeric',
  'quantity',
];

/** Zones that forbid each room of a row to import from any room before it. */
function oneWay(base, row) {
  return row.flatMap((room, index) =>
    index === 0
      ? []
      : [
          {
            target: `${base}/${room}/**/!(*.test).{ts,tsx}`,
            from: row.slice(0, index).map((upper) => `${base}/${upper}/**/*`),
            message: `${room} stands below: imports point down only (docs/how-it-works.md).`,
          },
        ],
  );
}

export const zones = [...oneWay('./src', rooms), ...oneWay('./src/core', coreRooms)];

/** What the core does without. */
export const outside = ['react', 'react/*', 'react-dom', 'next', 'next/*', 'antd', 'antd/*', '@ant-design/*', 'dexie', 'dexie-*', 'chart.js', 'react-chartjs-2', 'zustand', 'zustand/*']; // prettier-ignore
