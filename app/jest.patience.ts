import { configure } from '@testing-library/react';

// Nothing is timed: this only ends what hangs, on a machine that is busy too.
configure({ asyncUtilTimeout: 60_000 });
