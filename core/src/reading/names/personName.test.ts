import { localPartAgreement, splitName } from './personName';

describe('splitting a printed name', () => {
  it.each([
    [
      'Dr. Nella Harrowfield-Voss, MBA',
      {},
      { prefix: 'Dr.', givenName: 'Nella', familyName: 'Harrowfield-Voss', suffix: 'MBA' },
    ],
    ['TIM LYNCH, MBA, PMP', {}, { givenName: 'Tim', familyName: 'Lynch', suffix: 'MBA, PMP' }],
    ['Dipl.-Ing. Jens FIETZ', {}, { prefix: 'Dipl.-Ing.', givenName: 'Jens', familyName: 'Fietz' }],
    ['Dott.ssa Raffaella Basile', {}, { prefix: 'Dott.ssa', givenName: 'Raffaella', familyName: 'Basile' }],
    ['Stuart A. Friesen', {}, { givenName: 'Stuart', middleName: 'A.', familyName: 'Friesen' }],
    ['Gilbert de Plessis', { country: 'FR' }, { givenName: 'Gilbert', familyName: 'de Plessis' }],
    ['Natália Reis Martins', { country: 'BR' }, { givenName: 'Natália', familyName: 'Reis Martins' }],
    ['Emmalee James Von', { country: 'US' }, { givenName: 'Emmalee', middleName: 'James', familyName: 'Von' }],
    ['Ada Reis Martins', { local: 'ada.reismartins' }, { givenName: 'Ada', familyName: 'Reis Martins' }],
    ['Nella Voss (she/her)', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['DI (FH) Nella Voss', {}, { prefix: 'DI (FH)', givenName: 'Nella', familyName: 'Voss' }],
    ['Dr Nella Voss MVB MRCVS', {}, { prefix: 'Dr', givenName: 'Nella', familyName: 'Voss', suffix: 'MVB, MRCVS' }],
    ['Nella Voss LLB (Hons)', {}, { givenName: 'Nella', familyName: 'Voss', suffix: 'LLB (Hons)' }],
    ['Shelby Voss, CFRE', {}, { givenName: 'Shelby', familyName: 'Voss', suffix: 'CFRE' }],
    ['ODGA THORVAL, CFRE', {}, { givenName: 'Odga', familyName: 'Thorval', suffix: 'CFRE' }],
    ['GUYLAINE RIVERRY, PL. FIN.', {}, { givenName: 'Guylaine', familyName: 'Riverry', suffix: 'PL. FIN.' }],
    ['THORVAL, ODGA', {}, { givenName: 'Odga', familyName: 'Thorval' }],
    ['Gianluca DE SANTIS', { country: 'IT' }, { givenName: 'Gianluca', familyName: 'De Santis' }],
    ['Voss, Nella', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['Nella', {}, { familyName: 'Nella' }],
    ['i. A. Nella Voss', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['Nella Voss B.Agr.Sc.', {}, { givenName: 'Nella', familyName: 'Voss', suffix: 'B.Agr.Sc.' }],
    ['Ana Maria L.Sosa', {}, { givenName: 'Ana', middleName: 'Maria', familyName: 'L.Sosa' }],
    ['Émile Voss, Pl. Fin.', {}, { givenName: 'Émile', familyName: 'Voss', suffix: 'Pl. Fin.' }],
    ['ANNE–METTE VOSS', {}, { givenName: 'Anne-Mette', familyName: 'Voss' }],
    ['Kövesligeti Nella', { country: 'HU', local: 'nella' }, { givenName: 'Nella', familyName: 'Kövesligeti' }],
    ['Nella Roux-W hitford', {}, { givenName: 'Nella', familyName: 'Roux-Whitford' }],
    ['NELLA VOSS RM', {}, { givenName: 'Nella', familyName: 'Voss', suffix: 'RM' }],
    ['EMMA LEE NG', {}, { givenName: 'Emma', middleName: 'Lee', familyName: 'Ng' }],
    ['EMMA VOSS, CFII', {}, { givenName: 'Emma', familyName: 'Voss', suffix: 'CFII' }],
    ['VOSS, EMMA', {}, { givenName: 'Emma', familyName: 'Voss' }],
    ['Inh. Nella Voss', {}, { givenName: 'Nella', familyName: 'Voss' }],
    ['NELLA VOSS RIBA SCA', {}, { givenName: 'Nella', familyName: 'Voss', suffix: 'RIBA, SCA' }],
    ['Per. Agr. Nella Dall’Olio', {}, { prefix: 'Per. Agr.', givenName: 'Nella', familyName: 'Dall’Olio' }],
    ['Voss, W. P.', {}, { givenName: 'W.', middleName: 'P.', familyName: 'Voss' }],
  ])('%s', (text, { country, local }: { country?: string; local?: string }, expected) => {
    const found = splitName(text, country, local ? [local] : []);
    expect(Object.fromEntries(Object.entries(found).filter(([, value]) => value))).toEqual(expected);
  });

  it.each([
    ['Nella Voss', 'nella.voss', 1],
    ['Nella Voss', 'nvoss', 1],
    ['Nella Voss', 'voss', 0.8],
    ['Wilfred Haddon', 'wilf', 0.8],
    ['Ecrin Schäning-Ostwald', 'schaeningostwald', 1],
    ['Nella Voss', 'office', 0],
  ])('%s agrees with %s as much as %d', (name, local, expected) => {
    expect(localPartAgreement(name, local)).toBeCloseTo(expected, 1);
  });
});
