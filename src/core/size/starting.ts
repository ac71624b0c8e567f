/** What someone may want who opens Yemko for the first time; `startProject` makes a project of it. */
export const startings = ['dark', 'light', 'beam', 'level', 'readings'] as const;
export type Starting = (typeof startings)[number];
