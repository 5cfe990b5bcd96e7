import sharp from 'sharp'; import { viewFrame } from './core/src/capture/index'; import { frames } from './e2e/liveCamera';
for (const [n,f] of [['card',frames.card('skerry')],['glare',frames.glare('skerry')],['dark',frames.dark('skerry')],['table',frames.table()]] as const) {
const {data,info}=await sharp(await f).resize(240,180).ensureAlpha().raw().toBuffer({resolveWithObject:true});
const v=viewFrame({data:new Uint8ClampedArray(data),width:info.width,height:info.height}); console.log(n,!!v.outline,v.share.toFixed(2),v.brightness.toFixed(2),v.glare.toFixed(3),v.sharpness); }
