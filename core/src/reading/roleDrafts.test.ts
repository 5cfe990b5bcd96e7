import { fieldsOf } from './readingOf.testing';

describe('the name of a firm', () => {
  it.each([
    ['CH', ['Perrenoud Transports Särl', 'CH-1096 Cully'], 'Perrenoud Transports Sàrl'],
    ['PL', ['P.P.H.U. Brzezinski', 'ul. Targowa 18', '25-520 Kielce'], 'P.P.H.U. Brzeziński'],
    ['US', ['Brzezinski Tile LLC', '18 Targowa Street', 'Troy, NY 12180'], 'Brzezinski Tile LLC'],
  ])('has in %s the marks that its form and its ending always have', (country, lines, company) =>
    expect(fieldsOf([...lines, 'Nella Voss', 'Buyer'], country).one('company')).toBe(company),
  );
});
