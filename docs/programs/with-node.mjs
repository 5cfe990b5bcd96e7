// A text in, what stands in it filed, and told of it. Needs: DOSSIER (http://127.0.0.1:4300), TOKEN (of settings, pictures:send, people:read), TEXT.
import { createServer } from 'node:http';
import { Webhook } from 'standardwebhooks';

const ask = (method, path, body) =>
  fetch(`${process.env.DOSSIER}/api/v1${path}`, {
    method,
    headers: { authorization: `Bearer ${process.env.TOKEN}`, 'content-type': 'application/json' },
    body: body && JSON.stringify(body),
  }).then(async (answer) => (answer.status === 204 ? undefined : answer.json()));

const listener = createServer().listen(0, '127.0.0.1', async () => {
  const url = `http://127.0.0.1:${listener.address().port}/told`;
  const { id, secret } = await ask('POST', '/webhooks', { url, types: ['person.created'] });
  listener.on('request', async (request, response) => {
    let body = '';
    for await (const part of request) body += part;
    const { data } = new Webhook(secret).verify(body, request.headers); // throws for what is not from there
    response.end();
    console.log(JSON.stringify(await ask('GET', `/people/${data.personId}`)));
    await ask('DELETE', `/webhooks/${id}`);
    listener.close();
  });
  await ask('POST', '/readings?wait=60&file=contact', { text: process.env.TEXT });
});
