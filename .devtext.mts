import { proposeFields, readingOfText } from './core/src/reading/index';
for (const t of ['Best regards\nSefa Brack\nHead of Purchasing\nTarn Valley Dairies Ltd\nT +44 1632 960417','Sefa Brack\nHead of Purchasing\nTarn Valley Dairies Ltd\nT +44 1632 960417\nsefa.brack@tarnvalley.example','Ulvi Drosk\nSales\nDrosk Doors\nulvi@drosk.example','Zorvath Quimby\nTarn Ltd'])
 { const r=readingOfText(t); const p=proposeFields(r,{assumedCountry:'GB'}); console.log(r.lines.map(l=>l.text).join(' | ')); console.log('  ',p.fields.map(f=>f.field+'='+f.value+' '+f.confidence.toFixed(2)).join('; ')); }
