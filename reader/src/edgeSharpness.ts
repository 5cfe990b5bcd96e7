import type { Quad } from '@dossier/core/capture';
import type { LabPlanes } from './labPlanes';

/** A change of so many grey levels within a pixel or two is a sharp edge. */
const SHARP = 14;

/** Largest Sobel magnitude over the Lab channels in grey levels, worked out where it is asked for. */
export class Gradients {
  private readonly known: Float32Array;
  constructor(readonly lab: LabPlanes) {
    this.known = new Float32Array(lab.width * lab.height).fill(-1);
  }

  at(x: number, y: number): number {
    const { width, height, planes } = this.lab;
    if (x < 1 || y < 1 || x >= width - 1 || y >= height - 1) return 0;
    const i = y * width + x;
    if (this.known[i]! >= 0) return this.known[i]!;
    let largest = 0;
    for (const plane of planes) {
      const [nw, n, ne] = [plane[i - width - 1]!, plane[i - width]!, plane[i - width + 1]!];
      const [w, e] = [plane[i - 1]!, plane[i + 1]!];
      const [sw, s, se] = [plane[i + width - 1]!, plane[i + width]!, plane[i + width + 1]!];
      const dx = (ne + 2 * e + se - nw - 2 * w - sw) / 4;
      const dy = (sw + 2 * s + se - nw - 2 * n - ne) / 4;
      largest = Math.max(largest, dx * dx + dy * dy);
    }
    return (this.known[i] = Math.sqrt(largest));
  }
}

/**
 * Share 0–1 of an outline along which the picture changes abruptly: a card's edge does, the edge of
 * its shadow does not. The picture's border counts half.
 */
export function edgeSharpness(gradients: Gradients, quad: Quad): number {
  const { width, height } = gradients.lab;
  let sharp = 0;
  let samples = 0;
  quad.forEach((p, i) => {
    const q = quad[(i + 1) % 4]!;
    const length = Math.hypot(q[0] - p[0], q[1] - p[1]);
    const nx = -(q[1] - p[1]) / (length || 1);
    const ny = (q[0] - p[0]) / (length || 1);
    const steps = Math.max(8, Math.round(length / 3));
    for (let s = 1; s < steps; s++) {
      const x = p[0] + ((q[0] - p[0]) * s) / steps;
      const y = p[1] + ((q[1] - p[1]) * s) / steps;
      samples++;
      if (x < 3 || y < 3 || x > width - 4 || y > height - 4) {
        sharp += 0.5;
        continue;
      }
      let strongest = 0;
      for (let k = -2; k <= 2; k++) {
        strongest = Math.max(strongest, gradients.at(Math.round(x + nx * k), Math.round(y + ny * k)));
      }
      sharp += Math.min(1, strongest / SHARP);
    }
  });
  return samples ? sharp / samples : 0;
}
