import { OBJECTS } from './objects';
import type { KeptRecord, Records } from './records';
import { TROUBLES, type Switches } from '../trouble';

const escaped = (text: string): string => text.replace(/[&<>"']/g, (c) => `&#${c.charCodeAt(0)};`);

const page = (title: string, body: string): string => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>${escaped(title)}</title>
<style>body{font:16px/1.5 Georgia,serif;margin:2rem auto;max-width:52rem;padding:0 1rem;color:#1d2b24;background:#eef2ec}
a{color:inherit}table{border-collapse:collapse;width:100%}th,td{text-align:left;padding:.35rem .6rem;border-bottom:1px solid #b9c6bb;vertical-align:top;overflow-wrap:anywhere}
img{max-width:100%;border:1px solid #b9c6bb}button,select,input{font:inherit;min-height:44px}</style></head>
<body><p><a href="/">The port office</a></p><h1>${escaped(title)}</h1>${body}</body></html>`;

const nameOf = ({ values }: KeptRecord): string =>
  [values.Forename, values.Surname].filter(Boolean).join(' ') || String(values.Style ?? values.Title ?? values.What ?? values.Words ?? values.Kind ?? ''); // prettier-ignore

export const firstPage = (records: Records, { trouble, share }: Switches): string =>
  page(
    'The port office',
    `<p>A customer system that is none: it stands in for the one that a team has elsewhere. What arrives here has gone nowhere else.</p>
<form method="post" action="/switches"><label>Trouble <select name="trouble">${TROUBLES.map((one) => `<option${one === trouble ? ' selected' : ''}>${one}</option>`).join('')}</select></label>
<label>for <input name="share" type="number" min="0" max="1" step="0.05" value="${share}"> of the requests</label> <button>Set</button></form>
${Object.entries(OBJECTS)
  .map(([object, { label }]) => {
    const all = records.all(object);
    const rows = all.slice(-200).reverse().map((record) => `<tr><td><a href="/records/${record.ref}">${record.ref}</a></td><td>${escaped(nameOf(record))}</td><td>${record.changes}</td></tr>`); // prettier-ignore
    return `<h2>${label} (${all.length})</h2>${rows.length > 0 ? `<table><tr><th>Ref</th><th>Name</th><th>Changes</th></tr>${rows.join('')}</table>` : '<p>None yet.</p>'}`;
  })
  .join('')}`,
  );

export const recordPage = (records: Records, record: KeptRecord): string =>
  page(
    `${record.ref} ${nameOf(record)}`,
    `<table>${Object.entries(record.values)
      .filter(([name]) => name !== 'Base64')
      .map(
        ([name, value]) =>
          `<tr><th>${escaped(name)}</th><td>${escaped(Array.isArray(value) ? value.join(', ') : String(value))}</td></tr>`,
      )
      .join('')}</table>
${record.values.Base64 ? `<p><img alt="" src="/records/${record.ref}/picture"></p>` : ''}
${records
  .of(record.ref)
  .map(
    (one) =>
      `<h2><a href="/records/${one.ref}">${one.ref}</a></h2><p>${one.values.Base64 ? `<img alt="" src="/records/${one.ref}/picture">` : escaped(nameOf(one))}</p>`,
  )
  .join('')}`,
  );
