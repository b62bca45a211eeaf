// What is taken away as a file.

/** Hands a file to the browser's downloads. */
export function download(content: Blob | string, name: string, type = 'text/plain') {
  const url = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 1000);
}
