/** Iconia's look as Ant Design Vue tokens. */
import { theme } from 'ant-design-vue';

const shared = {
  borderRadius: 6,
  controlHeight: 28,
  fontSize: 13,
  fontFamily: "'Hanken Grotesk Variable', system-ui, sans-serif",
  wireframe: false,
  motionDurationMid: '0.1s',
  motionDurationSlow: '0.12s',
};

export const themeFor = (dark: boolean) =>
  dark
    ? {
        algorithm: theme.darkAlgorithm,
        token: {
          ...shared,
          colorPrimary: '#3f9d91',
          colorBgBase: '#1a1f23',
          colorTextBase: '#ece8e1',
          colorError: '#e2796f',
          colorBorder: '#3d464b',
        },
      }
    : {
        algorithm: theme.defaultAlgorithm,
        token: {
          ...shared,
          colorPrimary: '#0f6b62',
          colorBgBase: '#fcfaf7',
          colorTextBase: '#1d2327',
          colorError: '#b23a32',
          colorBorder: '#ddd7cd',
        },
      };
