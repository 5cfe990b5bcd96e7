export {
  OpportunityActRecord, OpportunityFile, OpportunityNoteRecord, OpportunityPerson, OpportunityRecord, QualificationRecord, Stage,
} from './entities'; // prettier-ignore
export { changeIn, makeIn, moveIn } from './opportunities/save';
export { businessOfFirms, handOverBusiness, opportunityRows, takenRows, type TakenRow } from './queries';
export { pipelineRoutes } from './routes';
export { haveStages, stagesIn } from './settings/stages';
