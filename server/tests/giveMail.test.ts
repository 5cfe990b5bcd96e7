import { startMailWorld, type MailWorld } from '@dossier/simulators/mail';
import { giveMail, MailRefused, MailUncertain, tryMailServer } from '../src/platform/mail/smtp';
import { OutsideTrouble } from '../src/platform/outside';

type Mishap = 'none' | 'later' | 'lostBefore' | 'lostAfter';
let world: MailWorld;
let mishap: Mishap = 'none';
beforeAll(async () => {
  world = await startMailWorld({ mishap: () => mishap });
});
afterAll(() => world.stop());
beforeEach(() => {
  mishap = 'none';
  world.mailbox.mails.length = 0;
});

const RAW = Buffer.from('From: a@x.example\r\nTo: b@y.example\r\nSubject: Hello\r\n\r\nA line\r\n.hidden\r\n');
const server = () => ({ host: '127.0.0.1', port: world.smtpPort, security: 'none' as const, user: '', password: '' });
const give = (to = 'b@y.example', beforeEnd = () => Promise.resolve()) =>
  giveMail('all', server(), { from: 'a@x.example', to }, RAW, beforeEnd).then(
    () => 'taken',
    (error: unknown) => error,
  );

describe('a message given to a mail server', () => {
  it('arrives as it is, dots at the beginning of lines as well', async () => {
    expect(await give()).toBe('taken');
    expect(world.mailbox.mails).toMatchObject([{ to: 'b@y.example', text: 'A line\n.hidden\n' }]);
  });
  it('is not over before what must be done before its end is done', async () => {
    let atEnd = -1;
    await give('b@y.example', () => Promise.resolve(void (atEnd = world.mailbox.mails.length)));
    expect([atEnd, world.mailbox.mails.length]).toEqual([0, 1]);
  });
  it('is not taken where that fails, and says with what', async () => {
    const stopped = new Error('withdrawn meanwhile');
    expect(await give('b@y.example', () => Promise.reject(stopped))).toBe(stopped);
    expect(world.mailbox.mails).toEqual([]);
  });
  it('that is refused says of whom, for good or for now', async () => {
    expect(await give('nobody@y.example')).toMatchObject({
      of: 'recipient',
      code: 550,
      enhanced: '5.1.1',
      mayGoWell: false,
    });
    mishap = 'later';
    const later = await give();
    expect(later).toBeInstanceOf(MailRefused);
    expect(later).toMatchObject({ of: 'message', mayGoWell: true });
  });
  it.each(['lostBefore', 'lostAfter'] as const)(
    'is uncertain where the line breaks after its end: %s',
    async (what) => {
      mishap = what;
      expect(await give()).toBeInstanceOf(MailUncertain);
      expect(world.mailbox.mails).toHaveLength(what === 'lostAfter' ? 1 : 0);
    },
  );
  it('that cannot be brought there may go well later', async () => {
    const nowhere = { ...server(), port: 9 };
    expect(await giveMail('all', nowhere, { from: 'a@x.example', to: 'b@y.example' }, RAW, () => Promise.resolve()).catch((error: unknown) => error)).toBeInstanceOf(OutsideTrouble); // prettier-ignore
  });
  it('does not go to an address within, unless that is allowed', async () => {
    await expect(tryMailServer(new Set(), server())).rejects.toThrow(/own network/);
    await expect(tryMailServer(new Set([`127.0.0.1:${world.smtpPort}`]), server())).resolves.toBeUndefined();
  });
});
