// For `npm run mutants`: a fault is found as soon as one case fails; making the case small would only take time.
require('fast-check').configureGlobal({ endOnFailure: true });
