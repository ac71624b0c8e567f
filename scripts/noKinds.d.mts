export declare const kinds: string[][];
