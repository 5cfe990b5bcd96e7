import { toBgrTensor, UNIT_RANGE } from './reader/src/tensor';
import { warpQuad } from './reader/src/warp';
const px=(w:number,h:number)=>({data:new Uint8Array(w*h*3).map((_,i)=>(i*7919)%255),width:w,height:h});
const time=(n:string,f:()=>void,k=10)=>{const all:number[]=[];for(let i=0;i<k;i++){const t=performance.now();f();all.push(performance.now()-t);}console.log(n,all.map(x=>x.toFixed(0)).join(' '));};
const p=px(960,544);
time('bgr',()=>toBgrTensor(p,UNIT_RANGE,UNIT_RANGE));
const src=px(1600,1200);
time('warp',()=>warpQuad(src,[[100,80],[1500,120],[1480,1000],[90,980]] as any,1500,850));
