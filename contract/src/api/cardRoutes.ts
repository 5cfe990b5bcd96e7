import { z } from 'zod';
import { PhotoReceived, PhotosOnTheWay, PhotosQuery, PhotoUpload, Photo, TextCard, TextCardKept } from '../capture';
import { OccasionFields, OccasionList, OccasionMove } from '../occasion';
import { OutlinesChange, PhotoOutlines } from '../outline';
import {
  AddressBlock,
  AddressPartsFound,
  AreaRead,
  AreaToRead,
  BackChange,
  BackPairs,
  BacksOfPhoto,
  DraftChange,
  DraftKept,
  ProofCard,
} from '../proof';
import { LearnedChange, LearnedList } from '../reading';
import { AskedReading, ReadingAgainQuery, ReadingQuery, TextToRead } from '../readings';
import { SecondLookAnswer, SecondLookRequest, SecondLooks, SecondLooksSeen } from '../secondLook';
import { CardsChange, LatestBatch, ReadAgain, Tray, TrayQuery, TrayRun } from '../tray';
import { PICTURE, type DescribedRoutes } from './describedRoute';

const read = 'cards:read';
const send = 'pictures:send';
const prove = 'people:write';
const size = (...sizes: readonly [string, ...string[]]) => z.object({ size: z.enum(sizes).default('full') });

/** Photographs, cards, and what was read of them until they are filed. */
export const CARD_ROUTES: DescribedRoutes = {
  'PUT /photos/:id': {
    about: 'Sends a photograph under an id of one’s own making (a UUID). The same id again is the same photograph.',
    scope: send,
    query: PhotoUpload,
    body: PICTURE,
    answer: Photo,
    status: 201,
    otherAnswers: { 200: Photo },
  },
  'GET /photos/:id/received': {
    about: 'How much of a photograph has arrived.',
    scope: send,
    answer: PhotoReceived,
  },
  'GET /photos/:id/picture': {
    about: 'A photograph.',
    scope: read,
    query: size('full', 'display', 'thumbnail'),
    answer: PICTURE,
  },
  'GET /photos': { about: 'How far photographs are.', scope: read, query: PhotosQuery, answer: PhotosOnTheWay },
  'DELETE /photos/:id': { about: 'Takes a photograph with its cards out of the tray.', scope: send, status: 204 },
  'GET /photos/:id/outlines': {
    about: 'Where the cards of a photograph are.',
    scope: read,
    answer: PhotoOutlines,
  },
  'DELETE /photos/:id/perhaps': { about: 'Says that no card was missed on a photograph.', scope: prove, status: 204 },
  'PUT /photos/:id/outlines': {
    about: 'Says where the cards of a photograph are: those that moved are read again.',
    scope: prove,
    body: OutlinesChange,
    status: 204,
  },
  'GET /photos/:id/backs': {
    about: 'Which cards of a photograph of backs belong to which fronts.',
    scope: read,
    answer: BacksOfPhoto,
  },
  'PUT /photos/:id/backs': { about: 'Joins backs with their fronts.', scope: prove, body: BackPairs, status: 204 },
  'GET /occasions': { about: 'Where and when cards are received.', scope: read, answer: OccasionList },
  'PUT /occasions/:id': {
    about: 'Makes or changes an occasion, under an id of one’s own making.',
    scope: prove,
    body: OccasionFields,
    status: 204,
  },
  'GET /tray': { about: 'Cards that are not filed yet.', scope: read, query: TrayQuery, answer: Tray },
  'GET /tray/run': { about: 'The same, by their ids alone.', scope: read, query: TrayQuery, answer: TrayRun },
  'GET /tray/events': {
    about: 'What happens in the tray, as it happens.',
    scope: null,
    answer: { types: ['text/event-stream'], about: 'Events sent by the server.' },
  },
  'PUT /tray/occasion': { about: 'Moves cards to another occasion.', scope: prove, body: OccasionMove, status: 204 },
  'GET /batches/latest': { about: 'Photographs that came together.', scope: read, answer: LatestBatch },
  'GET /cards/:id': { about: 'A card, with its lines and what is proposed.', scope: read, answer: ProofCard },
  'GET /cards/:id/picture': {
    about: 'A card, cut out and upright.',
    scope: read,
    query: size('full', 'thumbnail'),
    answer: PICTURE,
  },
  'PUT /cards/:id/text': {
    about: 'Makes a card of text, such as a signature, under an id of one’s own making.',
    scope: send,
    body: TextCard,
    answer: TextCardKept,
    status: 201,
  },
  'PATCH /cards': {
    about: 'Sets cards aside, brings them back, removes them.',
    scope: prove,
    body: CardsChange,
    status: 204,
  },
  'POST /cards/read-again': {
    about: 'Has cards read again, expecting another country or language.',
    scope: prove,
    body: ReadAgain,
    status: 202,
  },
  'PUT /cards/:id/draft': {
    about: 'Keeps what somebody has corrected on a card so far.',
    scope: prove,
    body: DraftChange,
    answer: DraftKept,
  },
  'POST /cards/:id/areas': { about: 'Reads a part of a card.', scope: prove, body: AreaToRead, answer: AreaRead },
  'PUT /cards/:id/back': {
    about: 'Says which card is the back of this one.',
    scope: prove,
    body: BackChange,
    status: 204,
  },
  'DELETE /cards/:id/back': { about: 'Takes a back off.', scope: prove, status: 204 },
  'POST /address-parts': {
    about: 'Takes an address apart.',
    scope: read,
    body: AddressBlock,
    answer: AddressPartsFound,
  },
  'GET /second-looks': { about: 'Cards about which a colleague was asked.', scope: read, answer: SecondLooks },
  'POST /second-looks': { about: 'Asks a colleague about a card.', scope: prove, body: SecondLookRequest, status: 204 },
  'PUT /second-looks/seen': { about: 'Says that answers were seen.', scope: prove, body: SecondLooksSeen, status: 204 },
  'PUT /cards/:id/second-look/answer': {
    about: 'Answers a colleague.',
    scope: prove,
    body: SecondLookAnswer,
    status: 204,
  },
  'POST /readings': {
    about:
      'Reads a picture, or a text, and says what stands on its cards. The body is the picture itself, multipart/form-data with it, or JSON with a text.',
    scope: send,
    headers: {
      'Idempotency-Key': 'Any text of up to 100 characters; may be left out. The same key again is the same reading.',
    },
    query: ReadingQuery,
    body: TextToRead,
    otherBodies: [PICTURE, { types: ['multipart/form-data'], about: 'The picture as a file.' }],
    answer: AskedReading,
    otherAnswers: { 202: AskedReading },
  },
  'GET /readings/:id': {
    about: 'What became of a reading; 202 while it is not done.',
    scope: send,
    query: ReadingAgainQuery,
    answer: AskedReading,
    otherAnswers: { 202: AskedReading },
  },
  'GET /learned': { about: 'What filed cards have taught.', scope: read, answer: LearnedList },
  'PATCH /learned/:id': {
    about: 'Says whether something that was learned is used.',
    scope: 'settings',
    body: LearnedChange,
    status: 204,
  },
};
