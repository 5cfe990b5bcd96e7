import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { rectangle } from '@dossier/core/capture';
import { proposeFields } from '@dossier/core/reading';
import { readPhoto } from './readPhoto';

jest.setTimeout(120_000);

test('lines in Chinese characters are read beside Latin ones, and left for a person to give', async () => {
  const bytes = readFileSync(join(__dirname, '../fixtures/han.png'));
  const outlines = [{ quad: rectangle(0, 0, 1000, 600), upright: true }];
  const [card] = (await readPhoto(bytes, { outlines })).cards;
  const texts = card!.reading.lines.map((line) => line.text);
  expect(texts).toEqual(expect.arrayContaining(['灰鹭冷藏设备有限公司', '林晓禾', '销售经理', 'Lin Xiaohe']));
  const { fields, looseLines } = proposeFields(card!.reading);
  expect(looseLines.map((line) => texts[line]).sort()).toEqual(['林晓禾', '灰鹭冷藏设备有限公司', '销售经理']);
  const valueOf = (name: string) => fields.find(({ field }) => field === name)?.value;
  expect([valueOf('title'), valueOf('company')]).toEqual(['Sales Manager', 'Huilu Cold Storage Ltd']);
});
