import sharp from 'sharp'; import { viewFrame } from './core/src/capture/index';
const {data,info}=await sharp('demo/photos/skerry.jpg').resize(1280,960,{fit:'cover'}).resize(240,180).ensureAlpha().raw().toBuffer({resolveWithObject:true});
const v=viewFrame({data:new Uint8ClampedArray(data),width:info.width,height:info.height}); console.log(v.outline,v.share,v.brightness,v.glare,v.sharpness);
