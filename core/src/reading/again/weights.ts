import type { Weights } from '../confidence';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS_AGAIN: Weights = {
  "all": {
    "bias": -0.092,
    "weights": {
      "company": -0.962,
      "email": 0.344,
      "first": 4.53,
      "inferredAgain": -1.602,
      "name": 0.207,
      "otherLetters": -1.122,
      "phone": 0.836,
      "place": -0.103,
      "readAgain": 1.517,
      "readOtherwise": -1.727,
      "sameLetters": 0.163,
      "street": -0.32,
      "title": -0.222,
      "website": 0.219
    },
    "curve": [
      [
        -1.554,
        0.267
      ],
      [
        -0.906,
        0.4
      ],
      [
        -0.145,
        0.545
      ],
      [
        0.745,
        0.582
      ],
      [
        1.627,
        0.787
      ],
      [
        2.008,
        0.838
      ],
      [
        2.391,
        0.879
      ],
      [
        2.687,
        0.895
      ],
      [
        2.825,
        0.903
      ],
      [
        2.98,
        0.935
      ],
      [
        3.245,
        0.948
      ],
      [
        3.422,
        0.952
      ],
      [
        3.485,
        0.966
      ],
      [
        3.624,
        0.976
      ],
      [
        3.783,
        0.983
      ],
      [
        3.932,
        0.984
      ],
      [
        4.297,
        0.989
      ],
      [
        4.755,
        0.993
      ],
      [
        5.25,
        0.997
      ],
      [
        5.891,
        0.998
      ],
      [
        6.179,
        0.998
      ],
      [
        6.535,
        0.998
      ]
    ]
  }
};
