import { ALLOWED, may, ROLES, type Act } from './roles';

const acts = Object.keys(ALLOWED) as Act[];

describe('what each role may do', () => {
  it('grows from assistant to representative to manager', () => {
    const allowed = ROLES.map((role) => acts.filter((act) => may(role, act)));
    const [rep, assistant, manager, administrator] = allowed as [Act[], Act[], Act[], Act[]];
    expect(rep).toEqual(expect.arrayContaining(assistant));
    expect(manager).toEqual(expect.arrayContaining(rep));
    expect(administrator).toEqual(expect.arrayContaining(manager));
  });

  it('keeps what cannot be undone, and what holds for everybody, with those in charge', () => {
    for (const act of ['erase', 'settle'] as const)
      expect(ROLES.filter((role) => may(role, act))).toEqual(['manager', 'administrator']);
    expect(ROLES.filter((role) => !may(role, 'delete'))).toEqual(['assistant']);
  });
});
