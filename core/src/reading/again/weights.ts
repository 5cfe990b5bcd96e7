import type { Weights } from '../confidence';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS_AGAIN: Weights = {
  "all": {
    "bias": -0.074,
    "weights": {
      "company": -0.864,
      "email": 0.396,
      "first": 4.637,
      "inferredAgain": -1.503,
      "name": 0.114,
      "otherLetters": -1.123,
      "phone": 0.731,
      "place": -0.066,
      "readAgain": 1.497,
      "readOtherwise": -1.839,
      "sameLetters": 0.043,
      "street": -0.247,
      "title": -0.295,
      "website": 0.231
    },
    "curve": [
      [
        -1.882,
        0.229
      ],
      [
        -1.337,
        0.291
      ],
      [
        -0.737,
        0.473
      ],
      [
        0.124,
        0.509
      ],
      [
        0.799,
        0.727
      ],
      [
        1.488,
        0.771
      ],
      [
        2.116,
        0.859
      ],
      [
        2.428,
        0.868
      ],
      [
        2.728,
        0.919
      ],
      [
        3.055,
        0.93
      ],
      [
        3.453,
        0.977
      ],
      [
        3.9,
        0.98
      ],
      [
        4.334,
        0.988
      ],
      [
        4.65,
        0.991
      ],
      [
        4.907,
        0.996
      ],
      [
        5.075,
        0.996
      ],
      [
        5.554,
        0.997
      ],
      [
        6.374,
        0.998
      ],
      [
        7.009,
        0.998
      ]
    ]
  }
};
