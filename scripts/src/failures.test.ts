import { failuresOfJest, failuresOfPlaywright } from '../failures.mjs';

describe('what failed, in a line each', () => {
  it('names the test of a unit and what it expected, without the code around', () => {
    const message =
      'Error: \u001b[2mexpect(\u001b[22mtwo\u001b[2m)\n\nExpected: 1\nReceived: 2\n    at Object.<anonymous> (a.ts:3:1)';
    const report = {
      testResults: [
        {
          name: 'a.test.ts',
          status: 'failed',
          message: '',
          assertionResults: [
            { status: 'passed', fullName: 'a good one', failureMessages: [] },
            { status: 'failed', fullName: 'a bad one', failureMessages: [message] },
          ],
        },
        { name: 'b.test.ts', status: 'failed', message: 'Cannot find module', assertionResults: [] },
        { name: 'c.test.ts', status: 'passed', message: '', assertionResults: [] },
      ],
    };
    expect(failuresOfJest(report)).toEqual([
      'a bad one: Error: expect(two) Expected: 1 Received: 2',
      'b.test.ts: Cannot find module',
    ]);
  });

  it('finds what failed in a browser in nested suites, with its place', () => {
    const failed = {
      title: 'is filed',
      file: 'e2e/card.spec.ts',
      line: 12,
      tests: [
        {
          projectName: 'wide',
          status: 'unexpected',
          results: [{}, { error: { message: 'Error: not there\n  > 14 | await', location: { line: 14 } } }],
        },
      ],
    };
    const passed = { ...failed, tests: [{ projectName: 'phone', status: 'expected', results: [{}] }] };
    const report = { suites: [{ specs: [passed], suites: [{ specs: [failed] }] }] };
    expect(failuresOfPlaywright(report)).toEqual(['e2e/card.spec.ts:12 [wide] is filed: Error: not there (line 14)']);
  });
});
