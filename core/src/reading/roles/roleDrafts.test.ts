import { fieldsOf } from '../readingOf.testing';

describe('the name of a firm', () => {
  it('is a doubt where the somebody it is called after has lost a mark, unless it is set in capitals', () => {
    const companyOf = (firm: string) =>
      fieldsOf([firm, 'Nella Voss', 'Buyer', 'ul. Targowa 18', '25-520 Kielce'], 'PL').fields.find(
        ({ field }) => field === 'company',
      )!;
    const lost = companyOf('Stolarnia Gołabek');
    expect(lost).toMatchObject({
      value: 'Stolarnia Gołąbek',
      disagreement: { code: 'usuallySpelled', said: 'Stolarnia Gołabek', other: 'Stolarnia Gołąbek' },
    });
    expect(lost.confidence).toBeLessThan(0.8);
    expect(companyOf('STOLARNIA GOLABEK').disagreement).toBeUndefined();
  });

  it.each([
    ['CH', ['Perrenoud Transports Särl', 'CH-1096 Cully'], 'Perrenoud Transports Sàrl'],
    ['PL', ['P.P.H.U. Brzezinski', 'ul. Targowa 18', '25-520 Kielce'], 'P.P.H.U. Brzeziński'],
    ['US', ['Brzezinski Tile LLC', '18 Targowa Street', 'Troy, NY 12180'], 'Brzezinski Tile LLC'],
  ])('has in %s the marks that its form and its ending always have', (country, lines, company) =>
    expect(fieldsOf([...lines, 'Nella Voss', 'Buyer'], country).one('company')).toBe(company),
  );
});

describe('a position', () => {
  const titleOf = (...lines: string[]) => fieldsOf(['Gudrun Aasland', ...lines, 'gudrun.aasland@skagen.example']).one('title'); // prettier-ignore

  it('has both halves of a bracket', () =>
    expect(titleOf('Gebäudeenergieberaterin (HWK')).toBe('Gebäudeenergieberaterin (HWK)'));

  it('is not what says who somebody else is', () =>
    expect(titleOf('Key Account Managerin', 'Geschäftsführer:', 'Odo Kettler')).toBe('Key Account Managerin'));
});
