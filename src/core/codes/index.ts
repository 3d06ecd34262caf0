export { CODES, readCode, type CodeMeaning, type CodeReading } from './codeDictionary';
