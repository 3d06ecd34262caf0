export { CAUTIONS, type CautionId } from './cautions';
