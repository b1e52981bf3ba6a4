import { useEffect } from 'react';
import { useDevice } from '../../data/device/device-store';

const dark = window.matchMedia('(prefers-color-scheme: dark)');

/** Puts the chosen theme on the page, following the system until the maker chooses. */
export function useColourMode(): 'light' | 'dark' {
  const choice = useDevice((device) => device.theme);
  const mode = choice ?? (dark.matches ? 'dark' : 'light');
  useEffect(() => {
    const wear = (theme: 'light' | 'dark'): void => {
      document.documentElement.classList.toggle('dark', theme === 'dark');
      document.documentElement.classList.toggle('light', theme === 'light');
      document.documentElement.style.colorScheme = theme;
    };
    const forPaper = (): void => wear('light');
    const back = (): void => wear(mode);
    back();
    window.addEventListener('beforeprint', forPaper);
    window.addEventListener('afterprint', back);
    return () => {
      window.removeEventListener('beforeprint', forPaper);
      window.removeEventListener('afterprint', back);
    };
  }, [mode]);
  return mode;
}
