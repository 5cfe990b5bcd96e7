import { randomUUID } from 'node:crypto';
import { expect, test, type Locator, type Page } from '@playwright/test';
import { expectAccessible, filePerson, goTo, signIn, textCard } from './desk';
import { LETTERBOX, mailsTo, setMailUp } from './letterbox';

/** Draws something sideways with a thumb, as the browser hears of it. */
async function draw(page: Page, what: Locator, by: number): Promise<void> {
  const box = (await what.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const touch = await page.context().newCDPSession(page);
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
  for (let step = 1; step <= 8; step++)
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: [{ x: x + (by * step) / 8, y }] });
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  await touch.detach();
}

/** Fills in and files a card on its last step. */
async function file(page: Page, cardId: string, note: string, agrees: boolean): Promise<void> {
  await page.goto(`/file/${cardId}`);
  await page.getByLabel('Note', { exact: true }).fill(note);
  if (agrees) {
    await page.getByRole('checkbox', { name: 'By e-mail' }).click();
    await page.getByLabel('What for').fill('Doors and docks');
  }
}
const person = (page: Page, name: string) => page.getByRole('heading', { name });

test('a card is followed up: the plan writes with the note’s words, stops at the answer, and what is left is done', async ({
  page,
  isMobile: _,
}, { project }) => {
  test.skip(project.name !== 'phone', 'Once is enough.');
  await signIn(page, 'followup-phone', '/today');
  await expect(page.getByText('Nothing needs you now')).toBeVisible();
  await expectAccessible(page);
  await setMailUp(page);

  // Words to send, with places that are filled in.
  await page.goto('/settings/templates/new');
  await page.getByLabel('Name', { exact: true }).fill('After the fair');
  await page.getByRole('textbox', { name: 'Subject' }).fill('Your dock');
  const text = page.getByRole('textbox', { name: 'Text' });
  await text.click();
  await page.keyboard.press('Control+End');
  await page.keyboard.type('You told us: ');
  await page.getByLabel('Put into text').selectOption('Note’s line');
  await page.keyboard.type('. Yours, ');
  await page.getByLabel('Put into text').selectOption('Sender’s name');
  await expect(text).toContainText('You told us: Note’s line. Yours, Sender’s name');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: 'After the fair' })).toBeVisible();

  // A plan: it writes at once and has somebody call three days later.
  await page.goto('/settings/plans/new');
  await page.getByLabel('Name', { exact: true }).fill('After the fair');
  await page.getByLabel('Add a step').selectOption('Send an e-mail');
  await page.getByRole('group', { name: 'Step 1' }).getByLabel('Template').selectOption('After the fair');
  await page.getByLabel('Add a step').selectOption('Call them');
  await page.getByLabel('What the call is about').fill('Ring about the seal');
  await page.getByRole('checkbox', { name: 'Switched on' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('link', { name: 'After the fair' })).toBeVisible();

  // An occasion begins it, and says so.
  await page.goto('/settings/occasions');
  await page.getByRole('button', { name: 'New occasion' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Quayside fair');
  await page.getByRole('button', { name: 'Tags, owner and more' }).click();
  await page.getByLabel('Follow-up plan').selectOption('After the fair');
  await page.getByRole('button', { name: 'Set this occasion' }).click();
  await expect(page.getByRole('button', { name: 'Change Quayside fair' })).toBeVisible();
  const { items } = (await (await page.request.get('/api/v1/occasions')).json()) as { items: { id: string }[] };

  const card = async (name: string, mail: string) => {
    const id = await textCard(page, [name, mail, 'Harrowfield Dairies']);
    expect(
      (await page.request.put('/api/v1/tray/occasion', { data: { cardIds: [id], occasionId: items[0]!.id } })).ok(),
    ).toBe(true);
    return id;
  };
  const [mail, silent] = [`${randomUUID()}@harrowfield.example`, `${randomUUID()}@quillet.example`];
  await file(page, await card('Nella Harrowfield', mail), 'leaking dock seal, wants a visit', true);
  // What goes out and when is said before.
  await expect(page.getByRole('list', { name: 'What the plan would do' })).toContainText('E-mail “After the fair”');
  await expectAccessible(page);
  await page.getByRole('button', { name: /^File as/ }).click();
  await expect(person(page, 'Nella Harrowfield')).toBeVisible();

  await expect.poll(async () => (await mailsTo(page, mail)).length).toBe(1);
  const [arrived] = await mailsTo(page, mail);
  expect(arrived!.text).toMatch(
    /^Dear Nella Harrowfield,\n\nYou told us: leaking dock seal, wants a visit\. Yours, Ottilie Brandt/,
  );
  expect(arrived!.headers['list-unsubscribe-post']).toBe('List-Unsubscribe=One-Click');

  // Nobody noted that this one agrees: nothing goes out, and it says why.
  await file(page, await card('Tomma Quillet', silent), 'asked for prices', false);
  await expect(page.getByText('Nothing is sent until it is noted that they agree to e-mails.')).toBeVisible();
  await page.getByRole('button', { name: /^File as/ }).click();
  await expect(page.getByText('Waits: Nobody noted that they agree to e-mails.')).toBeVisible();
  expect(await mailsTo(page, silent)).toEqual([]);

  // An answer from outside, on the page of the letterbox.
  await page.goto(`${LETTERBOX}/mails/${arrived!.id}`);
  await page.getByLabel(/^Answer as/).fill('Friday at ten suits me.');
  await page.getByRole('button', { name: 'Send the answer' }).click();
  await expect(page.getByText('Done: answered.')).toBeVisible();

  await page.goto('/today');
  const list = page.getByRole('list', { name: 'What needs you' });
  await expect(list.getByRole('listitem').filter({ hasText: 'Friday at ten suits me.' })).toBeVisible();
  await expect(list.getByRole('listitem').filter({ hasText: 'Tomma Quillet' })).toContainText('Nobody noted');
  await expectAccessible(page);
  // A thumb draws a task to the right: done; to the left: put off.
  for (const [text, by] of [
    ['Drawn right', 160],
    ['Drawn left', -160],
  ] as const) {
    const made = await page.request.post('/api/v1/tasks', { data: { text, dueOn: '2026-01-02' } });
    expect(made.ok()).toBe(true);
    await page.reload();
    await draw(page, list.getByText(text, { exact: true }), by);
  }
  // The first touch after a swipe that a test has made is the browser’s own: pressed with a mouse from here on.
  await page.getByRole('group', { name: 'Put off: Drawn left' }).getByRole('button', { name: 'Monday' }).click();
  await expect(list.getByText(/^Drawn/)).toHaveCount(0);
  await list.getByRole('button', { name: 'Read the answer of Nella Harrowfield' }).click();
  await expect(page.getByText('Ended: they answered')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Messages' })).toContainText('Friday at ten suits me.');
  await expect(page.getByText('Friday at ten suits me.')).toBeInViewport();
  await expectAccessible(page);

  // What is left is one line, and done with one touch.
  await page.getByLabel('Something to do').fill('Visit tomorrow 10am');
  await expect(page.getByText('Visit, tomorrow, 10:00')).toBeVisible();
  await page.getByRole('button', { name: 'Add the task' }).click();
  await page.getByRole('button', { name: 'Done: Visit' }).click();
  await expect(page.getByRole('button', { name: 'Done: Visit' })).toBeHidden();

  // Who withdraws on the page that the mail leads to gets nothing more.
  const [, url] = /<(http[^>]+)>/.exec(arrived!.headers['list-unsubscribe']!)!;
  await page.goto(url!);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'No more messages' }).click();
  await expect(page.getByRole('heading', { name: 'That is noted' })).toBeVisible();
});

test('today is worked through by keyboard, and a message goes as it was changed', async ({ page }, { project }) => {
  test.skip(project.name !== 'wide', 'With a keyboard.');
  await signIn(page, 'followup-wide', '/today');
  await setMailUp(page);
  const mail = `${randomUUID()}@harrowfield.example`;
  const consent = { channels: ['email'], scope: 'Doors', how: 'spoken' };
  const personId = await filePerson(
    page,
    { givenName: 'Nella', familyName: 'Harrowfield', emails: [mail] },
    { consent },
  );
  for (const text of ['Send drawings', 'Look up the seals'])
    expect((await page.request.post('/api/v1/tasks', { data: { text, dueOn: '2026-01-02', personId } })).ok()).toBe(
      true,
    );
  await page.reload();
  const list = page.getByRole('list', { name: 'What needs you' });
  await expect(list.getByRole('listitem')).toHaveCount(2);
  await expectAccessible(page);
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('d');
  await expect(list.getByRole('listitem')).toHaveCount(1);
  await expect(page.getByText(/^Done: /)).toBeVisible();
  await page.keyboard.press('ArrowDown');
  await page.keyboard.press('l');
  await page.getByRole('button', { name: 'In a week' }).click();
  await expect(page.getByText('Nothing needs you now')).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(list.getByRole('listitem')).toHaveCount(1);

  await page.goto(`/people/${personId}`);
  await page.getByRole('button', { name: 'Write', exact: true }).click();
  const form = page.getByRole('form', { name: 'Write to Nella Harrowfield' });
  await form.getByLabel('Subject').fill('Drawings');
  await form.getByLabel('Message').fill('Dear Nella,\n\nhere they are.');
  await expectAccessible(page);
  await form.getByRole('button', { name: 'Send' }).click();
  await expect(form).toBeHidden();
  await expect.poll(async () => (await mailsTo(page, mail))[0]?.text).toContain('here they are.');
  await goTo(page, 'Today');
  await expect(page.getByRole('heading', { name: 'Today' })).toBeVisible();
});
