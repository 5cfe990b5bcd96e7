import { fieldsOfSample } from './fieldsOfSample';

const named = (text: string) => fieldsOfSample(text)?.map(({ name, type }) => `${name} ${type}`);

describe('the fields of a record that was copied', () => {
  it.each([
    ['{"Surname":"Voss","Size":38,"Sure":true,"Marks":["a","b"],"Nothing":null}', ['Surname text', 'Size number', 'Sure yesNo', 'Marks list', 'Nothing text']], // prettier-ignore
    ['{"data":[{"id":1,"attributes":{"Surname":"Voss","Mail":"a@b.example","Line":"1"}}]}', ['Surname text', 'Mail text', 'Line text']], // prettier-ignore
    ['[{"Surname":"Voss","of":{"ref":"H-1"}}]', ['Surname text']],
  ])('of %s', (text, fields) => expect(named(text)).toEqual(fields));

  it.each(['', 'Surname: Voss', '[]', '{}', '7', 'null', '{"a":{}}'])('are none of %j', (text) => expect(fieldsOfSample(text)).toBeUndefined()); // prettier-ignore
});
