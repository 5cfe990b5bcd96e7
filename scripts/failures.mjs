/** What failed and why, in a line each: the report of the longest run fits on a screen. */
import { stripVTControlCharacters } from 'node:util';

const LONGEST = 600;

/** @returns what an error says before the code around it is shown */
function firstWords(message) {
  const [words] = stripVTControlCharacters(message).split(/\n\s*(?:\d+ \||> \d+ \||at )/);
  const line = words.replace(/\s+/g, ' ').trim();
  return line.length > LONGEST ? `${line.slice(0, LONGEST)} …` : line;
}

/** @param {any} report as Jest writes it with --json @returns lines "test: reason" */
export const failuresOfJest = ({ testResults }) =>
  testResults.flatMap(({ name, status, message, assertionResults }) => {
    const failed = assertionResults.filter((test) => test.status === 'failed');
    if (failed.length === 0) return status === 'failed' ? [`${name}: ${firstWords(message)}`] : [];
    return failed.map(({ fullName, failureMessages }) => `${fullName}: ${firstWords(failureMessages[0] ?? '')}`);
  });

/** @param {any} suite of Playwright's JSON report, or the report itself @returns {string[]} lines "file:line [project] test: reason" */
export function failuresOfPlaywright({ suites = [], specs = [] }) {
  const here = specs.flatMap(({ title, file, line, tests }) =>
    tests
      .filter(({ status }) => status === 'unexpected' || status === 'flaky')
      .map(({ projectName, results }) => {
        const { error } = results.find((result) => result.error) ?? {};
        return `${file}:${line} [${projectName}] ${title}: ${firstWords(error?.message ?? '')} ${placeOf(error)}`.trim();
      }),
  );
  return [...here, ...suites.flatMap(failuresOfPlaywright)];
}

const placeOf = (error) => (error?.location ? `(line ${error.location.line})` : '');
