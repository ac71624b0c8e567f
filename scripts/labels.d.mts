export declare const labelAttributes: string;
