// What the runners' own reports say: how many tests passed, and of those that did not, which and why.

/** Of a reason, as much as tells what happened: the rest stands in the output of its step. */
const REASON_LINES = 12

const escapes = new RegExp(`${String.fromCharCode(27)}\\[[0-9;]*m`, 'g')
const shortened = (reason) =>
  (reason ?? '').replaceAll(escapes, '').trim().split('\n').slice(0, REASON_LINES).join('\n')

/**
 * Reads Vitest's JSON report: `{ passed, failures: [{ name, reason }] }`. A file that could not be loaded, or whose set-up
 * failed, has no test that failed and is one failure.
 */
export function readVitest({ numPassedTests, testResults }) {
  const failures = testResults.flatMap(({ name, status, message, assertionResults }) => {
    const failed = assertionResults.filter((one) => one.status === 'failed')
    if (status === 'failed' && failed.length === 0) return [{ name, reason: shortened(message) }]
    return failed.map(({ fullName, failureMessages }) => ({
      name: `${name} › ${fullName}`,
      reason: shortened(failureMessages.join('\n')),
    }))
  })
  return { passed: numPassedTests, failures }
}

/** Reads Playwright's JSON report likewise; what passed only when it was tried again has failed, and so have errors outside tests. */
export function readPlaywright({ suites, errors, stats }) {
  const failures = specsOf(suites)
    .flatMap(({ file, title, tests }) => tests.map((test) => ({ file, title, ...test })))
    .filter(({ status }) => status === 'unexpected' || status === 'flaky')
    .map(({ file, title, results }) => ({
      name: `${file} › ${title}`,
      reason: shortened(
        results
          .flatMap((one) => one.errors ?? [])
          .map(({ message }) => message)
          .join('\n'),
      ),
    }))
  const outside = errors.map(({ message }) => ({
    name: 'outside the tests',
    reason: shortened(message),
  }))
  return { passed: stats.expected, failures: [...failures, ...outside] }
}

const specsOf = (suites = []) =>
  suites.flatMap(({ specs = [], suites: inner }) => [...specs, ...specsOf(inner)])
