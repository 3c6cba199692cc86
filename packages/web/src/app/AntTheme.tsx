import { ConfigProvider, theme as antTheme } from 'antd';
import { useTheme } from '../theme/use-theme';

/** Ant Design in our colours. Style tags carry the page's nonce, so that the strict content policy lets them pass. */
export function AntTheme({ children }: { children: React.ReactNode }) {
  const dark = useTheme()[0] === 'cellar';
  const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
  return (
    <ConfigProvider
      {...(nonce === undefined ? {} : { csp: { nonce } })}
      theme={{
        algorithm: dark ? antTheme.darkAlgorithm : antTheme.defaultAlgorithm,
        token: {
          fontFamily: '"B612", sans-serif',
          fontSize: 15,
          controlHeight: 44,
          colorPrimary: dark ? '#e8873f' : '#9c4309',
          // Dark letters on the ember button: white ones would be too faint.
          ...(dark ? { colorTextLightSolid: '#14181a' } : {}),
          colorBgBase: dark ? '#151a1c' : '#fbfaf6',
          colorTextBase: dark ? '#e6e2d8' : '#1d2427',
          colorTextPlaceholder: dark ? '#a7b0b4' : '#576166',
          borderRadius: 4,
          // Who asks for less motion gets none.
          motion: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
        },
      }}
    >
      {children}
    </ConfigProvider>
  );
}
