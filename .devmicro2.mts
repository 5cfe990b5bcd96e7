import { openCv } from './reader/src/openCv';
const {cv}=await openCv();
const px=(w:number,h:number)=>({data:new Uint8Array(w*h*3).map((_,i)=>(i*7919)%255),width:w,height:h});
const src=px(1600,1200);
const time=(n:string,f:()=>void,k=10)=>{const all:number[]=[];for(let i=0;i<k;i++){const t=performance.now();f();all.push(performance.now()-t);}console.log(n,all.map(x=>x.toFixed(0)).join(' '));};
time('cv warp',()=>{
 const m=cv.matFromArray(1200,1600,cv.CV_8UC3,src.data as any); const out=new cv.Mat(); const M=cv.matFromArray(3,3,cv.CV_64F,[1.1,0.01,3,0.02,1.05,4,1e-5,1e-5,1]);
 cv.warpPerspective(m,out,M,new cv.Size(1500,850),cv.INTER_LINEAR,cv.BORDER_REPLICATE,new cv.Scalar()); const d=Uint8Array.from(out.data); m.delete();out.delete();M.delete(); });
function mem(){const a=new Uint8Array(3825000);for(let i=0;i<a.length;i++)a[i]=i&255;return a;}
time('fill', mem);
