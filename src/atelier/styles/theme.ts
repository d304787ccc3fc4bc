/** Iconia's look as Ant Design Vue tokens. */
import { theme } from 'ant-design-vue';

const shared = {
  borderRadius: 6,
  controlHeight: 28,
  fontSize: 13,
  fontFamily: "'Hanken Grotesk Variable', system-ui, sans-serif",
  wireframe: false,
};
/** How long panels take to open and close; whoever asks the system for no motion sees none. */
const durations = (still: boolean) =>
  still
    ? { motionDurationFast: '0s', motionDurationMid: '0s', motionDurationSlow: '0s' }
    : { motionDurationMid: '0.1s', motionDurationSlow: '0.12s' };

export const themeFor = (dark: boolean, still: boolean) =>
  dark
    ? {
        algorithm: theme.darkAlgorithm,
        token: {
          ...shared,
          ...durations(still),
          // Its button is as light as white words on it allow.
          colorPrimary: '#3a9287',
          // Progress is drawn in it.
          colorInfo: '#3a9287',
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
          ...durations(still),
          colorPrimary: '#0f6b62',
          // Progress is drawn in it.
          colorInfo: '#0f6b62',
          colorBgBase: '#fcfaf7',
          colorTextBase: '#1d2327',
          colorError: '#b23a32',
          colorBorder: '#ddd7cd',
        },
      };
