const NEEDED = [20, 19];

/** Why this Node.js cannot be used; null where it can. Read by older ones too: it imports nothing. */
export function nodeFault() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major > NEEDED[0] || (major === NEEDED[0] && minor >= NEEDED[1])) return null;
  return `Node.js ${NEEDED.join('.')} or newer is needed; this is ${process.versions.node}. Install a newer one and try again.`;
}
