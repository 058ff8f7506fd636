import { type ThemeConfig, theme } from 'antd'

export type Light = 'day' | 'night'

const INKS = ['paper', 'card', 'ink', 'faint', 'line', 'signal', 'right', 'slip', 'on-signal'] as const

/** The colours that are on now, as palette.css has them. */
export type Palette = Readonly<Record<(typeof INKS)[number], string>>

/** Puts the page in a light, with more contrast where it is wished. @returns its colours */
export function lightUp(light: Light, moreContrast: boolean): Palette {
  document.documentElement.dataset.light = light
  document.documentElement.dataset.contrast = moreContrast ? 'more' : 'usual'
  return currentPalette()
}

export function currentPalette(): Palette {
  const style = getComputedStyle(document.documentElement)
  return Object.fromEntries(INKS.map((ink) => [ink, style.getPropertyValue(`--${ink}`).trim()])) as Palette
}

/** The component library dressed as the rest of the program: flat, square-cornered, paper and ink, in the size that is set. */
export function antTheme(light: Light, c: Palette, textSize: number): ThemeConfig {
  return {
    // Its rules are written when the program is built; here only its variables are.
    zeroRuntime: true,
    hashed: false,
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
      colorTextLightSolid: c['on-signal'],
      fontFamily: 'var(--text)',
      fontFamilyCode: 'var(--mono)',
      fontSize: 16 * textSize,
      borderRadius: 2,
      controlHeight: 40 * textSize,
      boxShadow: 'none',
      boxShadowSecondary: `0 0 0 1px ${c.line}`,
      wireframe: false,
      motionDurationMid: '0.1s',
      motionDurationSlow: '0.15s',
    },
    components: {
      Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 600 },
      Table: { headerBg: 'transparent', headerSplitColor: 'transparent', rowHoverBg: c.paper },
      Radio: { buttonSolidCheckedColor: c['on-signal'] },
    },
  }
}
