export { people, type DemoPerson } from './people';
export { shots, type Shot } from './shots';
