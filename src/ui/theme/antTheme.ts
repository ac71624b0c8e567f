import { theme, type ThemeConfig } from 'antd';
import { fonts, palettes, type Look } from './tokens';

/** On a dark bench nothing is filled brightly: the main button and the chosen one glow by their words. */
const dimComponents = {
  Button: {
    colorPrimary: '#4A1A12',
    colorPrimaryHover: '#5C1E14',
    colorPrimaryActive: '#3A140E',
    primaryColor: palettes['dark-bench'].onNightBrick,
    primaryShadow: 'none',
    colorLink: palettes['dark-bench'].ink,
    colorLinkHover: palettes['dark-bench'].onNightBrick,
    colorLinkActive: palettes['dark-bench'].ink,
    defaultHoverColor: palettes['dark-bench'].ink,
    defaultActiveColor: palettes['dark-bench'].ink,
    defaultHoverBorderColor: palettes['dark-bench'].tick,
    defaultActiveBorderColor: palettes['dark-bench'].tick,
  },
  Alert: {
    colorInfoBg: palettes['dark-bench'].amberPale,
    colorWarningBg: palettes['dark-bench'].amberPale,
    colorErrorBg: palettes['dark-bench'].brickSoft,
    colorSuccessBg: palettes['dark-bench'].amberPale,
  },
  Tooltip: {
    colorBgSpotlight: palettes['dark-bench'].amberSoft,
    colorTextLightSolid: palettes['dark-bench'].onNightBrick,
  },
  // The dark algorithm dims what follows from the accent below what can be read.
  Tabs: {
    itemSelectedColor: palettes['dark-bench'].ink,
    itemHoverColor: palettes['dark-bench'].onNightBrick,
    itemActiveColor: palettes['dark-bench'].ink,
    inkBarColor: palettes['dark-bench'].ink,
  },
  Radio: {
    buttonSolidCheckedBg: '#4A1A12',
    buttonSolidCheckedHoverBg: '#5C1E14',
    buttonSolidCheckedActiveBg: '#3A140E',
    buttonSolidCheckedColor: palettes['dark-bench'].onNightBrick,
  },
};

/**
 * The look of every control. Its rules are written before the build (`scripts/antdCss.ts`); its colours and sizes are variables, set
 * in the page.
 */
export function antTheme(look: Look, isStill: boolean): ThemeConfig {
  const colors = palettes[look];
  return {
    zeroRuntime: true,
    hashed: false,
    algorithm: look === 'day' ? theme.defaultAlgorithm : theme.darkAlgorithm,
    token: {
      colorPrimary: colors.accent,
      colorInfo: colors.accent,
      colorLink: colors.accent,
      colorSuccess: colors.teal,
      colorWarning: colors.amber,
      colorError: colors.brick,
      colorText: colors.ink,
      colorTextSecondary: colors.inkSoft,
      colorTextDescription: colors.inkSoft,
      colorTextPlaceholder: colors.hint,
      colorTextLightSolid: colors.onAccent,
      colorBorder: colors.field,
      colorBorderSecondary: colors.lineSoft,
      colorBgLayout: colors.paper,
      ...(look === 'day'
        ? {}
        : {
            colorBgBase: colors.paper,
            colorBgContainer: colors.card,
            colorBgElevated: colors.amberPale,
            colorTextBase: colors.ink,
            colorTextTertiary: colors.inkSoft,
            colorTextQuaternary: colors.field,
            colorWhite: colors.onAccent,
            colorIcon: colors.ink,
            colorSplit: colors.line,
          }),
      fontFamily: fonts.text,
      fontFamilyCode: fonts.figures,
      fontSize: 14,
      controlHeight: 30,
      controlHeightSM: 24,
      sizeUnit: 3,
      padding: 12,
      borderRadius: 5,
      wireframe: false,
      motion: !isStill,
    },
    components: {
      Table: { cellPaddingBlockSM: 4, cellPaddingInlineSM: 6 },
      ...(look === 'day' ? {} : dimComponents),
    },
  };
}
