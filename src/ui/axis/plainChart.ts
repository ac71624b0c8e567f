import type { ChartOptions } from 'chart.js';

/** What every line chart here is: drawn at once, from points as they are, with nothing under the pointer. */
export const PLAIN_CHART = {
  animation: false,
  responsive: true,
  maintainAspectRatio: false,
  parsing: false,
  normalized: true,
  events: [],
  elements: { point: { radius: 0 } },
  layout: { autoPadding: false, padding: { right: 14, top: 6 } },
} satisfies ChartOptions<'line'>;
