/**
 * Sends bytes and tells how far they are: fetch cannot tell that yet.
 * @returns undefined when there was no answer
 */
export function upload(
  address: string,
  bytes: Blob,
  onProgress: (share: number) => void,
): Promise<Response | undefined> {
  return new Promise((resolve) => {
    const request = new XMLHttpRequest();
    request.open('PUT', address);
    request.setRequestHeader('Content-Type', bytes.type || 'application/octet-stream');
    request.upload.onprogress = ({ loaded, total }) => onProgress(total > 0 ? loaded / total : 0);
    request.onload = () => resolve(new Response(request.responseText || null, { status: request.status }));
    request.onerror = request.onabort = request.ontimeout = () => resolve(undefined);
    request.send(bytes);
  });
}
