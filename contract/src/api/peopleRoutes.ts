import { MapQuery, OwnPlaceFields, OwnPlaces, PeopleMap, Towns, TownsQuery } from '../map';
import { CellsChange, CellsChanged } from '../cells';
import { ChangePreview, PeopleChangeRequest, PeopleChanges, PeopleChangeState } from '../changes';
import {
  CompaniesPage,
  CompaniesQuery,
  Company,
  CompanyLogo,
  CompanyMerge,
  CompanyNoteFields,
  CompanyRename,
  PeopleMove,
} from '../companies';
import { FacetsQuery, ListViewFields, ListViews, PeopleFacets, PeoplePage, PeopleQuery } from '../list';
import { Duplicates, LatestSweep, Matches, MatchQuery, MergedCertain, NotSame, Sweep, TrayTwins } from '../matching';
import {
  ConsentGiven,
  DeletedPeople,
  FileCard,
  Filed,
  FiledByItself,
  Merged,
  MergePeople,
  NoteFields,
  Person,
  PersonEdit,
  PersonIds,
  SuggestionQuery,
  Suggestions,
  TagList,
  TagRename,
} from '../people';
import { PersonSources } from '../proof';
import { MadeId, type DescribedRoutes } from './describedRoute';

const read = 'people:read';
const write = 'people:write';
const REPEATABLE = { 'Idempotency-Key': 'Any text of up to 100 characters. The same key again is the same filing.' };

/** People and firms, who is the same, and what was filed. */
export const PEOPLE_ROUTES: DescribedRoutes = {
  'GET /people/map': { about: 'Where the people of a list are, and whose place is not surely known.', scope: 'people:read', query: MapQuery, answer: PeopleMap }, // prettier-ignore
  'GET /towns': { about: 'Towns whose names begin so, the largest first.', scope: 'people:read', query: TownsQuery, answer: Towns }, // prettier-ignore
  'GET /own-places': { about: 'Where places are that the team has named itself.', scope: 'people:read', answer: OwnPlaces }, // prettier-ignore
  'PUT /own-places': { about: 'Says where a town, or the beginning of a postal code, is.', scope: 'people:write', body: OwnPlaceFields, status: 204 }, // prettier-ignore
  'DELETE /own-places/:id': { about: 'Takes such a place away.', scope: 'people:write', status: 204 },
  'GET /people': {
    about: 'People as a list: searched, narrowed, ordered, a page at a time.',
    scope: read,
    query: PeopleQuery,
    answer: PeoplePage,
  },
  'GET /people/facets': {
    about: 'How many of these people there are by each thing that a list can be narrowed by.',
    scope: read,
    query: FacetsQuery,
    answer: PeopleFacets,
  },
  'GET /people/:id': { about: 'One person, with everything that is known.', scope: read, answer: Person },
  'POST /people': {
    about: 'Files a card that was proved: as somebody new, or as somebody known.',
    scope: write,
    headers: REPEATABLE,
    body: FileCard,
    answer: Filed,
    status: 201,
    otherAnswers: { 200: Filed },
  },
  'PUT /people/:id': { about: 'Corrects a person’s fields.', scope: write, body: PersonEdit, status: 204 },
  'DELETE /people/:id': {
    about: 'Takes a person out of the lists; for thirty days they can be brought back.',
    scope: write,
    status: 204,
  },
  'POST /people/:id/restore': { about: 'Brings a deleted person back.', scope: write, status: 204 },
  'POST /people/:id/erase': { about: 'Forgets a person for good.', scope: write, status: 204 },
  'POST /people/:id/take-back': {
    about: 'Takes a filing back: the card is in the tray again.',
    scope: write,
    status: 204,
  },
  'GET /people/:id/sources': {
    about: 'Where each value of a person stands on their cards.',
    scope: read,
    answer: PersonSources,
  },
  'POST /people/:id/consents': {
    about: 'Writes down what a person has agreed to.',
    scope: write,
    body: ConsentGiven,
    status: 204,
  },
  'POST /consents/:id/withdraw': { about: 'Writes down that a consent was withdrawn.', scope: write, status: 204 },
  'POST /people/:id/notes': {
    about: 'Writes a note about a person, or down a call or a visit.',
    scope: write,
    body: NoteFields,
    answer: MadeId,
    status: 201,
  },
  'PUT /notes/:id': { about: 'Changes a note.', scope: write, body: NoteFields, status: 204 },
  'DELETE /notes/:id': { about: 'Removes a note.', scope: write, status: 204 },
  'GET /people/changes': {
    about: 'The latest changes of many people at once.',
    scope: read,
    answer: PeopleChanges,
  },
  'POST /people/changes': {
    about: 'Changes many people at once, by a job; or says what would change.',
    scope: write,
    body: PeopleChangeRequest,
    answer: PeopleChangeState,
    status: 202,
    otherAnswers: { 200: ChangePreview },
  },
  'GET /people/changes/:id': { about: 'How far a change of many is.', scope: read, answer: PeopleChangeState },
  'DELETE /people/changes/:id': {
    about: 'Stops a change of many; who was not reached stays as they were.',
    scope: write,
    answer: PeopleChangeState,
  },
  'POST /people/changes/:id/undo': {
    about: 'Undoes a change of many, except where somebody has changed the same since.',
    scope: write,
    answer: PeopleChangeState,
  },
  'POST /people/cells': {
    about: 'Changes single values of several people, as in a table.',
    scope: write,
    body: CellsChange,
    answer: CellsChanged,
  },
  'GET /people-views': { about: 'Lists that were kept under a name.', scope: read, answer: ListViews },
  'POST /people-views': {
    about: 'Keeps a list under a name.',
    scope: write,
    body: ListViewFields,
    answer: MadeId,
    status: 201,
  },
  'PUT /people-views/:id': { about: 'Changes a kept list.', scope: write, body: ListViewFields, status: 204 },
  'DELETE /people-views/:id': { about: 'Forgets a kept list.', scope: write, status: 204 },
  'GET /deleted-people': { about: 'Who was deleted and can be brought back.', scope: read, answer: DeletedPeople },
  'GET /suggestions': {
    about: 'Titles or firms that are known, for what somebody begins to write.',
    scope: read,
    query: SuggestionQuery,
    answer: Suggestions,
  },
  'POST /matches': {
    about: 'Who of the people known a card is of, the likeliest first.',
    scope: read,
    body: MatchQuery,
    answer: Matches,
  },
  'GET /tray/twins': { about: 'Cards in the tray that are of one person.', scope: 'cards:read', answer: TrayTwins },
  'POST /not-same': { about: 'Says that these are two people.', scope: write, body: NotSame, status: 204 },
  'GET /duplicates': { about: 'Groups of records that are perhaps one person.', scope: read, answer: Duplicates },
  'POST /duplicates/merge': { about: 'Brings together all that are certain.', scope: write, answer: MergedCertain },
  'POST /sweeps': {
    about: 'Looks through all people for duplicates, by a job.',
    scope: write,
    answer: Sweep,
    status: 202,
  },
  'GET /sweeps/latest': { about: 'How far the latest looking through is.', scope: read, answer: LatestSweep },
  'DELETE /sweeps/latest': { about: 'Stops looking through all people.', scope: write, status: 204 },
  'POST /merges': {
    about: 'Brings records of one person together.',
    scope: write,
    body: MergePeople,
    answer: Merged,
    status: 201,
  },
  'POST /merges/:id/undo': { about: 'Parts what was brought together.', scope: write, status: 204 },
  'GET /tags': { about: 'Tags in use, with how many people have them.', scope: read, answer: TagList },
  'POST /tags/rename': { about: 'Renames a tag for everybody.', scope: write, body: TagRename, status: 204 },
  'GET /filed-by-itself': {
    about: 'Who was filed without a person, and nobody has looked at since.',
    scope: read,
    answer: FiledByItself,
  },
  'POST /filed-by-itself/seen': {
    about: 'Says that somebody has looked at them, and they are right.',
    scope: write,
    body: PersonIds,
    status: 204,
  },
  'POST /filed-by-itself/take-back': { about: 'Takes these filings back.', scope: write, body: PersonIds, status: 204 },
  'GET /companies': {
    about: 'Firms as a list: searched, ordered, a page at a time.',
    scope: read,
    query: CompaniesQuery,
    answer: CompaniesPage,
  },
  'GET /companies/:id': { about: 'One firm, with who works and worked there.', scope: read, answer: Company },
  'GET /companies/:id/logo': {
    about: 'Where a firm’s mark stands on a card.',
    scope: read,
    answer: CompanyLogo,
  },
  'PUT /companies/:id': {
    about: 'Renames a firm; the old name stays as one that it is known by.',
    scope: write,
    body: CompanyRename,
    status: 204,
  },
  'POST /companies/:id/merge': {
    about: 'Says that another firm is this one.',
    scope: write,
    body: CompanyMerge,
    status: 204,
  },
  'POST /companies/:id/people/move': {
    about: 'Moves people to another firm.',
    scope: write,
    body: PeopleMove,
    answer: MadeId,
  },
  'POST /company-acts/:id/undo': { about: 'Undoes what was done to a firm.', scope: write, status: 204 },
  'POST /companies/:id/notes': {
    about: 'Writes a note about a firm.',
    scope: write,
    body: CompanyNoteFields,
    answer: MadeId,
    status: 201,
  },
  'PUT /company-notes/:id': {
    about: 'Changes a note about a firm.',
    scope: write,
    body: CompanyNoteFields,
    status: 204,
  },
  'DELETE /company-notes/:id': { about: 'Removes a note about a firm.', scope: write, status: 204 },
};
