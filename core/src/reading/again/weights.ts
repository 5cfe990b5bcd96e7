import type { Weights } from '../confidence';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS_AGAIN: Weights = {
  "all": {
    "bias": 0.107,
    "weights": {
      "company": -0.878,
      "email": 0.294,
      "first": 4.016,
      "inferredAgain": -1.612,
      "name": 0.306,
      "otherLetters": -1.123,
      "phone": 0.764,
      "place": 0.062,
      "readAgain": 1.672,
      "readOtherwise": -1.786,
      "sameLetters": 0.204,
      "street": -0.426,
      "title": -0.32,
      "website": 0.199
    },
    "curve": [
      [
        -1.524,
        0.248
      ],
      [
        -0.816,
        0.4
      ],
      [
        0.563,
        0.571
      ],
      [
        2.515,
        0.879
      ],
      [
        3.049,
        0.895
      ],
      [
        3.211,
        0.933
      ],
      [
        3.356,
        0.933
      ],
      [
        3.436,
        0.956
      ],
      [
        3.648,
        0.965
      ],
      [
        3.847,
        0.977
      ],
      [
        4.186,
        0.988
      ],
      [
        4.513,
        0.988
      ],
      [
        4.769,
        0.996
      ],
      [
        5.016,
        0.996
      ],
      [
        5.338,
        0.997
      ],
      [
        5.779,
        0.997
      ],
      [
        6.306,
        0.998
      ]
    ]
  }
};
