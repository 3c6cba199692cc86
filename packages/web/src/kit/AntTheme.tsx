import { ConfigProvider, theme as antTheme } from 'antd';
import { token } from '../theme/token';
import { nonceForStyles } from './style-nonce';
import { useTheme } from '../theme/use-theme';

const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content;
if (nonce !== undefined) nonceForStyles(nonce);

/** Ant Design made of our tokens. Style tags carry the page's nonce, so that the strict content policy lets them pass. */
export function AntTheme({ children }: { children: React.ReactNode }) {
  const [light] = useTheme();
  const dark = light === 'dark';
  const colour = (name: `--${string}`): string => token(name, light);
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
          colorPrimary: colour('--ember'),
          // A lighter one under the pointer would be too faint to read.
          colorPrimaryHover: colour('--ember'),
          colorPrimaryActive: colour('--ember'),
          colorPrimaryTextHover: colour('--ember'),
          colorErrorHover: colour('--alarm'),
          colorErrorBorderHover: colour('--alarm'),
          colorLinkHover: colour('--live'),
          // Dark letters on the ember button: white ones would be too faint.
          ...(dark ? { colorTextLightSolid: colour('--paper') } : {}),
          colorBgBase: colour('--sheet'),
          colorBgContainer: colour('--sheet'),
          colorTextBase: colour('--ink'),
          colorTextPlaceholder: colour('--soft'),
          colorLink: colour('--live'),
          colorError: colour('--alarm'),
          colorBorder: colour('--line'),
          borderRadius: 4,
          borderRadiusLG: 4,
          // Who asks for less motion gets none.
          motion: !window.matchMedia('(prefers-reduced-motion: reduce)').matches,
        },
        // A dialog is a sheet of the same paper.
        components: {
          Modal: { contentBg: colour('--paper'), headerBg: colour('--paper'), titleFontSize: 20, titleLineHeight: 1.2 },
        },
      }}
    >
      {children}
    </ConfigProvider>
  );
}
