// A dark room: where a teacher wants it, what stands round the board is dark. What the class
// sees is not.
import { ConfigProvider } from 'antd';
import { useEffect, type ReactNode } from 'react';
import { create } from 'zustand';
import { darkTheme, theme } from '../theme';

const KEY = 'unitbloom-room';

const device = globalThis.matchMedia?.('(prefers-color-scheme: dark)');

/** What was chosen on this device; as the device itself is, where nothing was. */
function chosen(): boolean {
  try {
    const kept = localStorage.getItem(KEY);
    if (kept) return kept === 'dark';
  } catch {
    // Without storage it is as the device is.
  }
  return device?.matches ?? false;
}

interface Room {
  dark: boolean;
  /** Whether the page that is open can be dark at all. */
  here: boolean;
}

const useRoom = create<Room>(() => ({ dark: chosen(), here: false }));

device?.addEventListener('change', () => useRoom.setState({ dark: chosen() }));

export const useDark = () => useRoom((s) => s.dark);

export function setDark(dark: boolean) {
  useRoom.setState({ dark });
  try {
    localStorage.setItem(KEY, dark ? 'dark' : 'light');
  } catch {
    // It holds for this page.
  }
}

/** Lets the page be dark while it stands. */
export function useDarkRoom() {
  const dark = useDark();
  useEffect(() => {
    useRoom.setState({ here: true });
    return () => useRoom.setState({ here: false });
  }, []);
  useEffect(() => {
    if (dark) document.documentElement.dataset.room = 'dark';
    return () => void delete document.documentElement.dataset.room;
  }, [dark]);
}

/** The look of what stands round the board. */
export function Room({ children }: { children: ReactNode }) {
  const dark = useRoom((s) => s.dark && s.here);
  return (
    <ConfigProvider
      theme={dark ? darkTheme : theme}
      modal={{ mask: { closable: false } }}
      wave={{ disabled: true }}
    >
      {children}
    </ConfigProvider>
  );
}

/** The look of the board itself, in any room. */
export function OnPaper({ children }: { children: ReactNode }) {
  const dark = useRoom((s) => s.dark && s.here);
  return <ConfigProvider theme={dark ? { ...theme, inherit: false } : {}}>{children}</ConfigProvider>;
}
