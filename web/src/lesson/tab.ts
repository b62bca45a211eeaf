// This tab's name. It survives a reload, but not a duplicate of the tab: it
// lies in the session's storage only while the page is away.
import { newId } from '../shell/api';

const KEY = 'unitbloom-tab';

function take(): string {
  try {
    const kept = sessionStorage.getItem(KEY);
    sessionStorage.removeItem(KEY);
    return kept ?? newId();
  } catch {
    return newId();
  }
}

export const tabId = take();

addEventListener('pagehide', () => {
  try {
    sessionStorage.setItem(KEY, tabId);
  } catch {
    // Without storage a reload is a new tab.
  }
});
