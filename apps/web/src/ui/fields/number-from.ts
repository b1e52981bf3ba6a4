/** The number that was typed into a plain field, with a comma or a point; undefined where it is empty. */
export function numberFrom(text: string | number | null | undefined): number | undefined {
  const clean = String(text ?? '').trim();
  return clean === '' ? undefined : Number(clean.replace(',', '.'));
}
