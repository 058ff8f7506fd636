import { type ThemeConfig, theme } from 'antd'

/** The colours of day and night. The same values stand in style.css as custom properties. */
export const PALETTE = {
  day: {
    paper: '#f5efe3',
    card: '#fbf8f1',
    ink: '#22282e',
    faint: '#5b605f',
    line: '#cfc5b2',
    signal: '#9c4a06',
    right: '#1c6149',
    slip: '#97234a',
  },
  night: {
    paper: '#1b2229',
    card: '#232c35',
    ink: '#e9e5da',
    faint: '#a3abb0',
    line: '#3f4b57',
    signal: '#f2ab48',
    right: '#7cc9a6',
    slip: '#f08fae',
  },
} as const

export type Light = keyof typeof PALETTE

/** The component library dressed as the rest of the program: flat, square-cornered, paper and ink. */
export function antTheme(light: Light): ThemeConfig {
  const c = PALETTE[light]
  return {
    algorithm: light === 'night' ? theme.darkAlgorithm : theme.defaultAlgorithm,
    token: {
      colorPrimary: c.signal,
      colorInfo: c.signal,
      colorSuccess: c.right,
      colorError: c.slip,
      colorLink: c.signal,
      colorBgBase: c.paper,
      colorBgContainer: c.card,
      colorBgElevated: c.card,
      colorTextBase: c.ink,
      colorTextSecondary: c.faint,
      colorTextDescription: c.faint,
      colorTextPlaceholder: c.faint,
      colorBorder: c.faint,
      colorBorderSecondary: c.line,
      colorTextLightSolid: light === 'night' ? '#1b2229' : '#fffdf8',
      fontFamily: "'Atkinson Hyperlegible Next', system-ui, sans-serif",
      fontFamilyCode: "'Atkinson Hyperlegible Mono', monospace",
      fontSize: 16,
      borderRadius: 2,
      controlHeight: 40,
      boxShadow: 'none',
      boxShadowSecondary: `0 0 0 1px ${c.line}`,
      wireframe: false,
      motionDurationMid: '0.1s',
      motionDurationSlow: '0.15s',
    },
    components: {
      Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 600 },
      Table: { headerBg: 'transparent', headerSplitColor: 'transparent', rowHoverBg: c.paper },
      Radio: { buttonSolidCheckedColor: light === 'night' ? '#1b2229' : '#fffdf8' },
    },
  }
}
