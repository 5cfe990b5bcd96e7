import { writeFileSync } from 'node:fs';
import { measurePictures } from './src/adviceBench';
const m = await measurePictures(process.argv[2]!, () => undefined);
writeFileSync(process.argv[3]!, JSON.stringify(m.map(({photo,quality})=>({file:photo.file,tags:photo.tags,x:photo.minXHeightPx,quality}))));
process.exit(0);
