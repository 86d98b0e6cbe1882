import { ConfigProvider, theme as antdTheme } from 'antd'
import type { ReactNode } from 'react'
import { useSelector } from 'react-redux'
import type { RootState } from './store.ts'
import { useNarrow } from './use-narrow.ts'

const light = {
  colorPrimary: '#0A5468',
  colorText: '#10181D',
  colorTextSecondary: '#3A464D',
  colorTextDescription: '#3A464D',
  colorTextPlaceholder: '#4A575E',
  colorBorder: '#8A969C',
  colorBgContainer: '#FFFFFF',
  colorBgElevated: '#FFFFFF',
  colorBgLayout: '#E6EAEB',
  colorError: '#93290B',
  colorSuccess: '#1C5E42',
  colorWarning: '#704800',
}
const dark = {
  colorPrimary: '#7FD0E0',
  colorTextLightSolid: '#062029',
  colorText: '#F2F5F6',
  colorTextSecondary: '#C3CED3',
  colorTextDescription: '#C3CED3',
  colorTextPlaceholder: '#A9B6BC',
  colorBorder: '#5F7079',
  colorBgContainer: '#1B2429',
  colorBgElevated: '#1B2429',
  colorBgLayout: '#0D1215',
  colorError: '#FFA98A',
  colorSuccess: '#8FDCB4',
  colorWarning: '#F2C46D',
}

/** Our look, told to Ant Design by its tokens and to our own drawings by CSS variables. */
export function Themed({ children }: { children: ReactNode }) {
  const theme = useSelector((s: RootState) => s.look.theme)
  // A gloved thumb hits 44 pixels.
  const phone = useNarrow()
  return (
    <ConfigProvider
      theme={{
        algorithm: theme === 'dark' ? antdTheme.darkAlgorithm : antdTheme.defaultAlgorithm,
        token: {
          ...(theme === 'dark' ? dark : light),
          colorLink: (theme === 'dark' ? dark : light).colorPrimary,
          colorInfo: (theme === 'dark' ? dark : light).colorPrimary,
          linkDecoration: 'underline',
          linkHoverDecoration: 'underline',
          borderRadius: 0,
          borderRadiusLG: 0,
          borderRadiusSM: 0,
          fontFamily: "'Barlow', sans-serif",
          fontSize: 16,
          controlHeight: phone ? 44 : 40,
          controlHeightLG: 48,
          motion: false,
          boxShadow: 'none',
          boxShadowSecondary: '0 0 0 1px var(--rule-2)',
        },
        components: {
          Button: { primaryShadow: 'none', defaultShadow: 'none', fontWeight: 600 },
          Form: { itemMarginBottom: 0, verticalLabelPadding: '0 0 4px', labelColor: 'var(--ink-2)' },
          Descriptions: { labelColor: 'var(--ink-2)', itemPaddingBottom: 6 },
          ...(phone ? { Switch: { trackHeight: 44, trackMinWidth: 84, handleSize: 40 } } : {}),
          Table: {
            headerBg: 'transparent',
            headerSortActiveBg: 'transparent',
            headerSortHoverBg: 'var(--sunk)',
            bodySortBg: 'transparent',
            headerSplitColor: 'transparent',
            borderColor: 'var(--rule)',
            cellFontSizeSM: 15,
          },
        },
      }}
    >
      {children}
    </ConfigProvider>
  )
}
