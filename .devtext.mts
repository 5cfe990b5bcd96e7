import { proposeFields, readingOfText } from './core/src/reading/index';
for (const t of ['Birgit Thaler\nVertrieb\nMilchhof Thaler\nTel. 0512 960 417','Birgit Thaler\nMilchhof Thaler\nT 0512 960 417','Sam Poole\nPoole Doors\nT 0512 960417'])
for (const c of ['GB','AT','DE']) { const p=proposeFields(readingOfText(t),{assumedCountry:c}); console.log(c,p.country,p.fields.filter(f=>f.field==='phone').map(f=>f.value+' '+f.reasons.join('|'))); }
