import { PAPERS, WORKSHOP_ROOT, type Paper } from '@tembrin/contract';
import { Router, urlencoded, type Request, type Response } from 'express';
import type { Database } from '../database/connect';
import { FONTS, type Face } from '../formats/fonts';
import { workshopLimits } from '../http/limits';
import type { Watch } from '../operating/watch';
import type { Storage } from '../photos/storage';
import { outcomeApart } from '../reading/apart';
import { PhotoScope } from '../store/photos';
import { keepAnswer, shareAt, type OpenShare } from '../store/shares';
import { readAnswer, type Fields } from './form';
import { briefPage, closedPage, tooOftenPage } from './page';
import { WORKSHOP_POLICY } from './style';

/** Largest answer that is read, and most fields of it: eight sheets with everything in them. */
const ANSWER_BYTES = '64kb';
const MOST_FIELDS = 700;

interface Parts {
  database: Database;
  storage: Storage | null;
  secret: string;
  watch: Watch;
}

/** Each field of a form once, as text; what comes twice or as anything else is left out. */
function fieldsOf({ body }: Request): Fields {
  const sent = Object.entries((body ?? {}) as Record<string, unknown>);
  return Object.fromEntries(sent.filter((field): field is [string, string] => typeof field[1] === 'string'));
}

/**
 * Pages for workshops: one brief under a link of its own, without an account, a cookie or a script; nobody else's address is told to
 * anybody, nothing is kept by a browser or found by a search.
 */
export function workshopPages({ database, storage, secret, watch }: Parts): Router {
  const router = Router();
  const limits = workshopLimits(database, watch, tooOftenPage);
  router.use((_request, response, next) => {
    response.setHeader('Content-Security-Policy', WORKSHOP_POLICY);
    response.setHeader('X-Robots-Tag', 'noindex, nofollow, noarchive');
    response.setHeader('Referrer-Policy', 'no-referrer');
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  router.get('/type/:face.ttf', (request, response, next) => {
    const file = Object.hasOwn(FONTS, request.params.face) ? FONTS[request.params.face as Face] : null;
    if (file === null) return next();
    response.setHeader('Cache-Control', 'public, max-age=31536000, immutable');
    response.type('font/ttf').sendFile(file);
  });

  const html = (response: Response, status: number, text: string) =>
    void response.status(status).type('html').send(text);
  /** Answers with what is open under a link; otherwise that nothing is. */
  const opened =
    (answer: (share: OpenShare, key: string, request: Request, response: Response) => Promise<void> | void) =>
    async (request: Request, response: Response) => {
      const key = String(request.params.key);
      const share = await shareAt(database, secret, key);
      if (!share) return html(response, 404, closedPage());
      await answer(share, key, request, response);
    };
  const photosOf = ({ scope }: OpenShare) => new PhotoScope(database, scope, storage);

  router.get(
    '/:key',
    ...limits('open'),
    opened((share, key, _request, response) => html(response, 200, briefPage(share, key, {}, null))),
  );
  router.post(
    '/:key',
    ...limits('answer'),
    urlencoded({ extended: false, limit: ANSWER_BYTES, parameterLimit: MOST_FIELDS }),
    opened(async (share, key, request, response) => {
      const fields = fieldsOf(request);
      const answer = readAnswer(fields, share.document);
      if (typeof answer === 'string') return html(response, 422, briefPage(share, key, fields, answer));
      if (!(await keepAnswer(database, share, answer))) {
        const full = 'As many answers as are kept have come. Call whoever sent this.';
        return html(response, 422, briefPage(share, key, fields, full));
      }
      watch.happened('workshop answered');
      response.redirect(303, `${WORKSHOP_ROOT}/${key}`);
    }),
  );
  router.get(
    '/:key/photo/:sheet/:no',
    ...limits('open'),
    opened(async (share, _key, { params }, response) => {
      const sheet = share.document.sheets[Number(params.sheet)];
      const photo = sheet?.photos[Number(params.no)];
      const [bytes] = photo === undefined ? [] : await photosOf(share).readAll(sheet!.instrumentId, [photo]);
      if (!bytes) return html(response, 404, closedPage());
      response.type('image/jpeg').send(bytes);
    }),
  );
  router.get(
    '/:key/print',
    ...limits('print'),
    opened(async (share, _key, { query }, response) => {
      const paper: Paper = PAPERS.find((each) => each === query.paper) ?? 'a4';
      const sheets = [];
      for (const brief of share.document.sheets) {
        const pictures = await photosOf(share).readAll(brief.instrumentId, brief.photos);
        sheets.push({ brief, name: brief.name, pictures, missing: brief.photos.length - pictures.length });
      }
      response.setHeader('Content-Disposition', 'inline; filename="tembrin-brief.pdf"');
      const made = await outcomeApart('brief', { sheets, paper, atMs: Date.now() });
      response.type('application/pdf').send(Buffer.from(made));
    }),
  );
  return router;
}
