/** How evenly a page paints while something is done with it: milliseconds from frame to frame. */
export async function framesWhile(page, work) {
  await page.evaluate(() => {
    window.frames_ = [];
    const tick = (at) => {
      window.frames_.push(at);
      window.frameLoop = requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });
  await work();
  const times = await page.evaluate(() => (cancelAnimationFrame(window.frameLoop), window.frames_));
  const gaps = times.slice(1).map((at, i) => at - times[i]).sort((a, b) => a - b); // prettier-ignore
  const rounded = (share) => Math.round(gaps[Math.floor(share * (gaps.length - 1))]);
  return { frames: gaps.length, frameMs: { median: rounded(0.5), p95: rounded(0.95), worst: rounded(1) } };
}
