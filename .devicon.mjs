import sharp from 'sharp';
for (const s of [180,192,512]) await sharp('/work/main/app/public/icons/icon.svg',{density:300}).resize(s,s).png({palette:true}).toFile(`/work/main/app/public/icons/icon-${s}.png`);
