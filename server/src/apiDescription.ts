import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { openApiDocument } from '@dossier/contract/openApi';
import compression from 'compression';
import express, { Router } from 'express';
import helmet from 'helmet';

const PAGE = `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Dossier for programs</title>
<link rel="stylesheet" href="/api/docs/files/swagger-ui.css">
</head>
<body>
<div id="routes"></div>
<script src="/api/docs/files/swagger-ui-bundle.js"></script>
<script src="/api/docs/show.js"></script>
</body>
</html>
`;
const SHOW = `SwaggerUIBundle({ url: '/api/v1/openapi.json', domNode: document.getElementById('routes'), deepLinking: true, docExpansion: 'none', validatorUrl: null });
`;

/** The description of the API for programs, and a page to read it: with files of its own, nothing is fetched from elsewhere. */
export function apiDescription(): Router {
  const files = dirname(createRequire(import.meta.url).resolve('swagger-ui-dist/package.json'));
  const described = JSON.stringify(openApiDocument());
  return Router()
    .get('/v1/openapi.json', compression(), (_request, response) => {
      response.type('json').set('Cache-Control', 'no-cache').send(described);
    })
    .use(
      '/docs',
      compression(),
      // The page's own pictures are within its style sheet; what it asks goes here and nowhere else.
      helmet.contentSecurityPolicy({
        directives: {
          'default-src': ["'none'"],
          'script-src': ["'self'"],
          'style-src': ["'self'", "'unsafe-inline'"],
          'img-src': ["'self'", 'data:'],
          'connect-src': ["'self'"],
          'upgrade-insecure-requests': null,
        },
      }),
      Router()
        .get('/', (_request, response) => void response.type('html').send(PAGE))
        .get('/show.js', (_request, response) => void response.type('js').send(SHOW))
        .use('/files', express.static(files, { index: false, maxAge: '1d' })),
    );
}
