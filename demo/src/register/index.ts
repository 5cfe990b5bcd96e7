export { drawRegister, REGISTER_COLUMNS, type Register, type RegisterRow } from './drawRegister';
