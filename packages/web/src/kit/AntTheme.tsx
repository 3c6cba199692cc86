import { ConfigProvider, theme as antTheme } from 'antd';
import { token } from '../theme/token';
import { nonceForStyles } from './style-nonce';
import { useTheme } from '../theme/use-theme';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
if (nonce !== undefined) nonceForStyles(nonce);

/** Ant Design made of our tokens. Style tags carry the page's nonce, so that the strict content policy lets them pass. */
export function AntTheme({ children }: { children: React.ReactNode }) {
  const dark = useTheme()[0] === 'dark';
  return (
    <ConfigProvider
      {...(nonce === undefined ? {} : { csp: { nonce } })}
      // A ripple reads the style of a button in the very moment when the page is about to be drawn anew.
      wave={{ disabled: true }}
      theme={{
        algorithm: dark ? antTheme.darkAlgorithm : antTheme.defaultAlgorithm,
        token: {
          fontFamily: '"B612", sans-serif',
          fontSize: 15,
          controlHeight: 44,
          colorPrimary: token('--ember'),
          // A lighter one under the pointer would be too faint to read.
          colorPrimaryHover: token('--ember'),
          colorPrimaryActive: token('--ember'),
          colorPrimaryTextHover: token('--ember'),
          colorErrorHover: token('--alarm'),
          colorErrorBorderHover: token('--alarm'),
          colorLinkHover: token('--live'),
          // Dark letters on the ember button: white ones would be too faint.
          ...(dark ? { colorTextLightSolid: token('--paper') } : {}),
          colorBgBase: token('--sheet'),
          colorBgContainer: token('--sheet'),
          colorTextBase: token('--ink'),
          colorTextPlaceholder: token('--soft'),
          colorLink: token('--live'),
          colorError: token('--alarm'),
          colorBorder: token('--line'),
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
