import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.408,
    "weights": {
      "agrees": 0.535,
      "agreesLittle": -0.746,
      "alone": 0.732,
      "atEdge": -0.779,
      "below90": -0.154,
      "below99": -0.763,
      "contested": -1.482,
      "inferred": -2.116,
      "large": 0.06,
      "leastSure": 1.17,
      "likelyAccent": -0.531,
      "long": -0.304,
      "looseAbove": -0.949,
      "looseBelow": -1.319,
      "looseInDomain": -0.363,
      "looseLines": -0.389,
      "odd": -0.87,
      "offered": -1.931,
      "person": 0.082,
      "poorPicture": -0.472,
      "repairedAccent": -1.47,
      "rivalAccent": -0.139,
      "single": -2.262,
      "topmost": 0.89,
      "trade": 0.512,
      "trust": 0.962,
      "weakRole": -0.519
    },
    "curve": [
      [
        -1.434,
        0.71
      ],
      [
        1.524,
        0.843
      ],
      [
        2.621,
        0.955
      ],
      [
        3.917,
        0.998
      ]
    ]
  },
  "email": {
    "bias": 4.882,
    "weights": {
      "accentAsLikely": -0.087,
      "below70": -0.126,
      "below90": -0.996,
      "below99": -1.15,
      "byFirm": 0.265,
      "byName": 0.55,
      "changed": -1.038,
      "confusable": -0.085,
      "contested": -1.465,
      "digits": 0.029,
      "doubtfulCharacters": -0.588,
      "freeMail": 0.178,
      "leastSure": 0.696,
      "letterBefore": -0.637,
      "likelyAccent": -0.668,
      "looseBeside": -0.223,
      "nameless": -0.191,
      "nearName": -0.233,
      "offered": -0.835,
      "poorPicture": -1.598,
      "rivalAccent": -0.595,
      "rivalLetter": -0.75,
      "signs": 0.073,
      "topmost": 0.009,
      "trust": 0,
      "unsure": -0.274
    },
    "curve": [
      [
        2.729,
        0.879
      ],
      [
        3.922,
        0.953
      ],
      [
        4.673,
        0.995
      ],
      [
        5.989,
        0.998
      ]
    ]
  },
  "name": {
    "bias": 3.438,
    "weights": {
      "accentAsLikely": -0.521,
      "alone": 0.121,
      "apart": -1.011,
      "asFirm": 0.177,
      "below70": -0.057,
      "below90": -0.227,
      "below99": -0.343,
      "contested": -2.728,
      "doubtfulCharacters": -0.098,
      "inMailbox": 0.102,
      "known": 0.673,
      "knownAccent": 1.024,
      "large": 0.855,
      "leastSure": 0.546,
      "likelyAccent": -1.363,
      "long": 0.387,
      "manyParts": -0.421,
      "offered": -0.75,
      "otherKnown": 0.146,
      "particles": -0.016,
      "repairedAccent": -0.774,
      "rivalAccent": -1.362,
      "short": 0.257,
      "topmost": -0.356,
      "trade": 0.046,
      "trust": 0.587,
      "unsure": -0.443
    },
    "curve": [
      [
        0.948,
        0.678
      ],
      [
        3.758,
        0.936
      ],
      [
        4.912,
        0.985
      ],
      [
        5.705,
        0.998
      ]
    ]
  },
  "phone": {
    "bias": 6.134,
    "weights": {
      "american": -0.226,
      "below90": -0.567,
      "doubtfulCharacters": -0.137,
      "extension": 0.114,
      "looseBeside": -0.278,
      "looseLines": -0.01,
      "offered": -0.604,
      "severalSuch": -0.223,
      "strangeLabel": -0.988,
      "topmost": -0.947,
      "trunkless": -0.224,
      "trust": 0.167,
      "unlabelled": -0.927,
      "unsure": -0.157
    },
    "curve": [
      [
        4.413,
        0.976
      ],
      [
        4.963,
        0.98
      ],
      [
        5.079,
        0.98
      ],
      [
        5.513,
        0.987
      ],
      [
        6.153,
        0.998
      ]
    ]
  },
  "place": {
    "bias": 5.462,
    "weights": {
      "accentAsLikely": -0.167,
      "below70": -1.64,
      "below90": -0.819,
      "doubtfulCharacters": -0.725,
      "known": 1.096,
      "large": 0.001,
      "leastSure": 0.771,
      "likelyAccent": -0.834,
      "long": -0.986,
      "looseAbove": -1.719,
      "looseBelow": -1.612,
      "looseLines": -1.388,
      "looseOnNext": -0.745,
      "odd": -1.655,
      "poorPicture": -0.726,
      "printedTwice": 0.033,
      "rivalAccent": -0.652,
      "rivalLetter": -0.053,
      "trust": 0,
      "unsure": -0.258
    },
    "curve": [
      [
        2.708,
        0.917
      ],
      [
        3.988,
        0.966
      ],
      [
        4.55,
        0.976
      ],
      [
        5.026,
        0.986
      ],
      [
        5.364,
        0.995
      ],
      [
        6.078,
        0.998
      ]
    ]
  },
  "street": {
    "bias": 3.608,
    "weights": {
      "accentAsLikely": -0.096,
      "below70": -0.088,
      "below90": -0.328,
      "below99": -0.668,
      "comma": 0.17,
      "doubtfulCharacters": -0.495,
      "joined": -0.989,
      "large": -0.907,
      "leastSure": 0.274,
      "likelyAccent": -0.063,
      "long": 0.621,
      "looseAbove": -1.344,
      "looseBelow": -0.96,
      "looseBeside": -0.191,
      "looseLines": -0.455,
      "numbered": 0.434,
      "odd": -1.783,
      "offered": -0.319,
      "oneWord": -1.305,
      "poorPicture": -1.004,
      "repairedAccent": -1.075,
      "rivalLetter": -0.058,
      "short": -2.049,
      "streetWord": 0.378,
      "trust": 0.164,
      "unsure": -0.697,
      "weakRole": -0.524
    },
    "curve": [
      [
        1.454,
        0.734
      ],
      [
        2.757,
        0.93
      ],
      [
        3.466,
        0.959
      ],
      [
        3.954,
        0.983
      ],
      [
        4.305,
        0.986
      ],
      [
        4.704,
        0.994
      ]
    ]
  },
  "title": {
    "bias": 4.923,
    "weights": {
      "accentAsLikely": -0.019,
      "below70": -0.537,
      "below90": -0.82,
      "below99": -1.125,
      "doubtfulCharacters": -0.222,
      "goesOn": -0.362,
      "known": 0.468,
      "large": -1.821,
      "leastSure": 0.634,
      "likelyAccent": -0.42,
      "long": -0.496,
      "looseBelow": -1.236,
      "looseOnNext": -1.699,
      "nearKnown": -0.018,
      "noHead": -0.135,
      "poorPicture": -0.55,
      "rivalAccent": -0.215,
      "rivalLetter": -0.918,
      "single": -0.245,
      "unknownWords": -0.933,
      "unsure": -0.637,
      "weakRole": -0.237
    },
    "curve": [
      [
        1.986,
        0.841
      ],
      [
        3.45,
        0.957
      ],
      [
        3.935,
        0.972
      ],
      [
        5.031,
        0.993
      ],
      [
        5.762,
        0.998
      ]
    ]
  }
};
