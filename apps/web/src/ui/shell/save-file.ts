/** What is said of a file that was handed to the browser. */
export const saidOfFile = (name: string): string => `${name} is saved.`;

/** Hands something to the browser to be saved as a file. */
export function saveFile(name: string, type: string, what: BlobPart): void {
  const url = URL.createObjectURL(new Blob([what], { type }));
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  URL.revokeObjectURL(url);
}
