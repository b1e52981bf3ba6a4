/** Browsers by what they say of themselves; who says the name of another one comes first. */
const BROWSERS = [
  ['Edg', 'Edge'],
  ['OPR', 'Opera'],
  ['SamsungBrowser', 'Samsung Internet'],
  ['Firefox', 'Firefox'],
  ['Chrome', 'Chrome or one like it'],
  ['Safari', 'Safari'],
] as const;
const SYSTEMS = [
  ['Android', 'Android'],
  ['iPhone', 'iPhone'],
  ['iPad', 'iPad'],
  ['Windows', 'Windows'],
  ['Mac OS X', 'macOS'],
  ['CrOS', 'ChromeOS'],
  ['Linux', 'Linux'],
] as const;

const found = (agent: string, names: readonly (readonly [string, string])[]): string | undefined =>
  names.find(([said]) => agent.includes(said))?.[1];

/** What a device is, in the words that help to tell it apart from one's others. */
export function agentText(agent: string): string {
  const browser = found(agent, BROWSERS);
  const system = found(agent, SYSTEMS);
  if (browser && system) return `${browser} on ${system}`;
  return browser ?? system ?? (agent === '' ? 'A program without a name' : agent.slice(0, 60));
}
