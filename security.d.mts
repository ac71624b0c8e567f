export declare const securityHeaders: { key: string; value: string }[];
