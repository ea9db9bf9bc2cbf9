/** Words of fault finding, at runs and at units. */
export const faultText = {
  ruledOut: "ruled out",
  thisWasIt: "this was it",
  change: (claim: string, ruling: string) => `${claim}: ${ruling}. Change`,
  test: (test: string) => `Test: ${test}`,
  anotherPossibleCause: "Another possible cause",
  possibleCause: "Possible cause",
  itMayHaveBeen: "It may have been",
  howItIsTested: "How it is tested",
  whatTheTestShowed: "What the test showed",
  soItIs: "So it is",
  keep: "Keep",
  back: "Back",
};
