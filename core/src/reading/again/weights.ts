import type { Weights } from '../confidence';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS_AGAIN: Weights = {
  "all": {
    "bias": 0.183,
    "weights": {
      "company": -0.926,
      "email": 0.262,
      "first": 3.873,
      "inferredAgain": -1.607,
      "name": 0.257,
      "otherLetters": -1.112,
      "phone": 0.734,
      "place": 0.046,
      "readAgain": 1.695,
      "readOtherwise": -1.772,
      "sameLetters": 0.229,
      "street": -0.474,
      "title": -0.092,
      "website": 0.192
    },
    "curve": [
      [
        -1.509,
        0.248
      ],
      [
        -0.834,
        0.4
      ],
      [
        0.064,
        0.545
      ],
      [
        1.117,
        0.618
      ],
      [
        1.931,
        0.876
      ],
      [
        2.429,
        0.885
      ],
      [
        2.921,
        0.892
      ],
      [
        3.279,
        0.936
      ],
      [
        3.432,
        0.952
      ],
      [
        3.64,
        0.967
      ],
      [
        3.856,
        0.977
      ],
      [
        4.174,
        0.985
      ],
      [
        4.498,
        0.99
      ],
      [
        4.778,
        0.996
      ],
      [
        5.273,
        0.997
      ],
      [
        5.771,
        0.998
      ],
      [
        6.002,
        0.998
      ],
      [
        6.297,
        0.998
      ]
    ]
  }
};
