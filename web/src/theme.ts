// Ant Design in our look: paper, ink, and the tens' teal for what acts.
import { theme as ways, type ThemeConfig } from 'antd';

/** How much larger than usual the browser's text is. */
const larger =
  typeof document === 'undefined'
    ? 1
    : parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1;

export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#0F6A73',
    colorText: '#22302C',
    colorTextPlaceholder: '#6B756F',
    colorTextDescription: '#55605B',
    colorBgBase: '#FFFDF8',
    colorBgLayout: '#FBF8F1',
    colorBorder: '#B9B19C',
    colorError: '#B3261E',
    colorLink: '#0F6A73',
    borderRadius: 10,
    fontFamily: "'Figtree Variable', system-ui, sans-serif",
    fontSize: 16 * larger,
    controlHeight: 44 * larger,
    controlHeightSM: 36 * larger,
    controlHeightLG: 50 * larger,
    // A dialog stands still at once: only pieces move, for their motion explains.
    motion: false,
  },
};

/** The same in a dark room. */
export const darkTheme: ThemeConfig = {
  algorithm: ways.darkAlgorithm,
  token: {
    ...theme.token,
    colorPrimary: '#7CCBD1',
    colorTextLightSolid: '#10201F',
    colorText: '#ECE6D7',
    colorTextPlaceholder: '#9AA69F',
    colorTextDescription: '#A9B4AD',
    colorBgBase: '#202A26',
    colorBgContainer: '#202A26',
    colorBgElevated: '#28332E',
    colorBgLayout: '#18201D',
    colorBorder: '#5B6862',
    colorError: '#F4A9A3',
    colorLink: '#7CCBD1',
  },
};
