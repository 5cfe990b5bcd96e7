import type { Weights } from '../confidence';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS_AGAIN: Weights = {
  "all": {
    "bias": 0.186,
    "weights": {
      "company": -0.923,
      "email": 0.263,
      "first": 3.857,
      "inferredAgain": -1.609,
      "name": 0.253,
      "otherLetters": -1.111,
      "phone": 0.735,
      "place": 0.049,
      "readAgain": 1.7,
      "readOtherwise": -1.773,
      "sameLetters": 0.231,
      "street": -0.475,
      "title": -0.094,
      "website": 0.192
    },
    "curve": [
      [
        -1.507,
        0.248
      ],
      [
        -0.831,
        0.4
      ],
      [
        0.061,
        0.545
      ],
      [
        1.121,
        0.618
      ],
      [
        2.323,
        0.884
      ],
      [
        2.922,
        0.892
      ],
      [
        3.281,
        0.936
      ],
      [
        3.433,
        0.952
      ],
      [
        3.642,
        0.967
      ],
      [
        3.854,
        0.977
      ],
      [
        4.175,
        0.985
      ],
      [
        4.493,
        0.99
      ],
      [
        4.775,
        0.996
      ],
      [
        5.283,
        0.997
      ],
      [
        5.767,
        0.998
      ],
      [
        5.995,
        0.998
      ],
      [
        6.291,
        0.998
      ]
    ]
  }
};
