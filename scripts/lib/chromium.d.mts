export const CHROMIUM: string;
export function ensureChromium(): Promise<void>;
