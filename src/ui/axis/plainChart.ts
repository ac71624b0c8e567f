import type { Chart, ChartOptions } from 'chart.js';

/** Whether a chart can be drawn on: one that was taken away has no canvas, one that is not on the page yet has built nothing. */
export const isThere = (chart: Pick<Chart, 'canvas' | 'getDatasetMeta'>): boolean =>
  Boolean(chart.canvas) && Boolean(chart.getDatasetMeta(0).controller);

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
