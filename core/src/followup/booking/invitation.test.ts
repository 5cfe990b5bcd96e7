import ICAL from 'ical.js';
import { invitation, type Invitation } from './invitation';

const TALK: Invitation = {
  id: '01900000-0000-7000-8000-000000000001',
  sequence: 2,
  startsAt: new Date('2026-12-01T09:00:00Z'),
  endsAt: new Date('2026-12-01T09:30:00Z'),
  summary: 'Ottilie Brandt and Tove, "Quay"; Harrow',
  place: 'By phone, +44 1632 960204',
  url: 'https://dossier.example/talk/abc',
  organizer: { name: 'Ottilie "O" Brandt\r\nX-EVIL:1', address: 'ottilie@keldermoss.example' },
  attendee: { name: 'Tove; McArdle', address: 'tove@harrowquay.example' },
  isCancelled: false,
  changedAt: new Date('2026-11-30T12:00:00Z'),
};

describe('an invitation', () => {
  it('is read back as it was told, hostile names as text', () => {
    const { method, text } = invitation(TALK);
    const calendar = new ICAL.Component(ICAL.parse(text) as unknown[]);
    const [event] = calendar.getAllSubcomponents('vevent');
    expect(method).toBe('REQUEST');
    expect(calendar.getFirstPropertyValue('method')).toBe('REQUEST');
    expect(event!.getFirstPropertyValue('summary')).toBe(TALK.summary);
    expect(event!.getFirstPropertyValue('sequence')).toBe(2);
    expect(String(event!.getFirstPropertyValue('dtstart'))).toBe('2026-12-01T09:00:00Z');
    expect(event!.getFirstProperty('organizer')!.getParameter('cn')).toBe('Ottilie  O  Brandt X-EVIL:1');
    expect(event!.getFirstPropertyValue('x-evil')).toBeNull();
    expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
  });

  it('calls off under the same name', () => {
    const { method, text } = invitation({ ...TALK, isCancelled: true, sequence: 3 });
    expect(method).toBe('CANCEL');
    expect(text).toContain(`UID:talk-${TALK.id}@dossier`);
    expect(text).toContain('STATUS:CANCELLED');
  });
});
