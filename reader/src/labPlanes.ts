import { openCv, withMats } from './openCv';
import type { Pixels } from './pixels';

/** A picture in CIE Lab, one plane a channel, values as OpenCv scales them (0–255). */
export interface LabPlanes {
  width: number;
  height: number;
  planes: readonly [Uint8Array, Uint8Array, Uint8Array];
}

/** Lab planes of a picture, lightly smoothed. */
export async function labPlanes(picture: Pixels): Promise<LabPlanes> {
  const { cv } = await openCv();
  return withMats((keep) => {
    const rgb = keep(cv.matFromArray(picture.height, picture.width, cv.CV_8UC3, picture.data as unknown as number[]));
    const lab = keep(new cv.Mat());
    cv.cvtColor(rgb, lab, cv.COLOR_RGB2Lab);
    cv.GaussianBlur(lab, lab, new cv.Size(3, 3), 0);
    const channels = keep(new cv.MatVector());
    cv.split(lab, channels);
    const planes = [0, 1, 2].map((i) => Uint8Array.from(keep(channels.get(i)).data)) as unknown as LabPlanes['planes'];
    return { width: picture.width, height: picture.height, planes };
  });
}
