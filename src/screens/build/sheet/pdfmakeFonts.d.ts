declare module 'pdfmake/build/fonts/Roboto' {
  import type { TFontContainer } from 'pdfmake/interfaces';
  const fonts: TFontContainer;
  export default fonts;
}
declare module 'pdfmake/build/pdfmake' {
  import type * as pdfMakeModule from 'pdfmake';
  const pdfMake: typeof pdfMakeModule;
  export default pdfMake;
}
