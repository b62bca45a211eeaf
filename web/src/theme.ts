// Ant Design in our look: paper, ink, and the tens' teal for what acts.
import type { ThemeConfig } from 'antd';

export const theme: ThemeConfig = {
  token: {
    colorPrimary: '#0F6A73',
    colorText: '#22302C',
    colorTextPlaceholder: '#6B756F',
    colorBgBase: '#FFFDF8',
    colorBgLayout: '#FBF8F1',
    colorBorder: '#B9B19C',
    colorError: '#B3261E',
    colorLink: '#0F6A73',
    borderRadius: 10,
    fontFamily: "'Figtree Variable', system-ui, sans-serif",
    fontSize: 16,
    controlHeight: 44,
    controlHeightSM: 36,
    controlHeightLG: 50,
    // A dialog stands still at once: only pieces move, for their motion explains.
    motion: false,
  },
};
