/**
 * Sends bytes and tells how far they are: fetch cannot tell that yet.
 * @param from how many of them are there already, from an earlier try
 * @returns undefined when there was no answer
 */
export function upload(
  address: string,
  bytes: Blob,
  onProgress: (share: number) => void,
  from = 0,
): Promise<Response | undefined> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('PUT', address);
    request.setRequestHeader('Content-Type', bytes.type || 'application/octet-stream');
    if (from > 0) request.setRequestHeader('Content-Range', `bytes ${from}-${bytes.size - 1}/${bytes.size}`);
    request.upload.onprogress = ({ loaded }) => onProgress(bytes.size > 0 ? (from + loaded) / bytes.size : 0);
    request.onload = () => resolve(new Response(request.responseText || null, { status: request.status }));
    request.onerror = request.onabort = request.ontimeout = () => resolve(undefined);
    request.send(from > 0 ? bytes.slice(from) : bytes);
  });
}
