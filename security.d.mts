interface Header {
  key: string;
  value: string;
}
export declare const securityHeaders: Header[];
export declare const noPagePolicy: Header;
export declare const noPages: string[];
