import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.719,
    "weights": {
      "agrees": 0.334,
      "agreesLittle": -0.643,
      "alone": 0.864,
      "atEdge": -0.809,
      "below90": -0.172,
      "below99": -0.979,
      "contested": -0.199,
      "inferred": -1.83,
      "large": 0.559,
      "leastSure": 1.201,
      "likelyAccent": -0.413,
      "long": -0.138,
      "looseAbove": -0.274,
      "looseBelow": -0.69,
      "looseInDomain": -1.636,
      "odd": -0.854,
      "offered": -1.735,
      "person": 0.32,
      "poorPicture": -0.631,
      "repairedAccent": -1.365,
      "rivalAccent": -0.186,
      "single": -1.637,
      "topmost": 0.467,
      "trade": 0.588,
      "trust": 0.884,
      "weakRole": -0.93
    },
    "curve": [
      [
        0.734,
        0.807
      ],
      [
        2.234,
        0.918
      ],
      [
        2.803,
        0.947
      ],
      [
        3.138,
        0.965
      ],
      [
        4.244,
        0.997
      ]
    ]
  },
  "email": {
    "bias": 4.909,
    "weights": {
      "accentAsLikely": -0.087,
      "below70": -0.128,
      "below90": -1,
      "below99": -1.156,
      "byFirm": 0.246,
      "byName": 0.546,
      "changed": -1.04,
      "confusable": -0.078,
      "contested": -1.451,
      "digits": 0.028,
      "doubtfulCharacters": -0.59,
      "freeMail": 0.181,
      "leastSure": 0.697,
      "letterBefore": -0.641,
      "likelyAccent": -0.669,
      "looseBeside": -0.226,
      "nameless": -0.176,
      "nearName": -0.231,
      "offered": -0.828,
      "poorPicture": -1.6,
      "rivalAccent": -0.598,
      "rivalLetter": -0.751,
      "signs": 0.075,
      "topmost": 0.009,
      "trust": 0,
      "unsure": -0.275
    },
    "curve": [
      [
        2.728,
        0.916
      ],
      [
        3.94,
        0.935
      ],
      [
        4.691,
        0.992
      ],
      [
        6.001,
        0.998
      ]
    ]
  },
  "name": {
    "bias": 3.925,
    "weights": {
      "accentAsLikely": -0.43,
      "alone": 0.059,
      "apart": -0.395,
      "asFirm": -0.131,
      "below90": -0.327,
      "below99": -0.221,
      "contested": -2.893,
      "doubtfulCharacters": -0.178,
      "inMailbox": 0.16,
      "known": 0.729,
      "knownAccent": 1.043,
      "large": 0.552,
      "leastSure": 0.772,
      "likelyAccent": -1.493,
      "long": 0.539,
      "offered": -0.123,
      "otherKnown": 0.103,
      "particles": -0.18,
      "repairedAccent": -0.803,
      "rivalAccent": -1.509,
      "short": 0.234,
      "topmost": -0.06,
      "trade": 0.036,
      "trust": 0.158,
      "unsure": -0.443
    },
    "curve": [
      [
        0.995,
        0.678
      ],
      [
        3.332,
        0.885
      ],
      [
        4.232,
        0.915
      ],
      [
        5.074,
        0.987
      ],
      [
        5.81,
        0.998
      ]
    ]
  },
  "phone": {
    "bias": 6.165,
    "weights": {
      "american": -0.32,
      "below90": -0.612,
      "doubtfulCharacters": -0.148,
      "extension": 0.092,
      "looseBeside": -0.08,
      "offered": -0.614,
      "rivalLetter": -0.084,
      "severalSuch": -0.038,
      "strangeLabel": -0.529,
      "trust": 0.144,
      "unlabelled": -0.801,
      "unsure": -0.173
    },
    "curve": [
      [
        4.829,
        0.983
      ],
      [
        5.53,
        0.987
      ],
      [
        6.239,
        0.997
      ]
    ]
  },
  "place": {
    "bias": 5.421,
    "weights": {
      "accentAsLikely": -0.161,
      "below70": -1.631,
      "below90": -0.82,
      "doubtfulCharacters": -0.727,
      "known": 1.089,
      "large": 0.001,
      "leastSure": 0.765,
      "likelyAccent": -0.835,
      "long": -0.978,
      "looseAbove": -1.748,
      "looseBelow": -1.624,
      "looseLines": -1.214,
      "looseOnNext": -0.743,
      "odd": -1.653,
      "poorPicture": -0.727,
      "printedTwice": 0.034,
      "rivalAccent": -0.649,
      "rivalLetter": -0.046,
      "trust": 0,
      "unsure": -0.251
    },
    "curve": [
      [
        2.714,
        0.917
      ],
      [
        3.986,
        0.966
      ],
      [
        4.559,
        0.976
      ],
      [
        5.226,
        0.992
      ],
      [
        6.021,
        0.998
      ]
    ]
  },
  "street": {
    "bias": 3.631,
    "weights": {
      "accentAsLikely": -0.095,
      "below70": -0.085,
      "below90": -0.329,
      "below99": -0.675,
      "comma": 0.164,
      "doubtfulCharacters": -0.5,
      "joined": -0.987,
      "large": -0.907,
      "leastSure": 0.269,
      "likelyAccent": -0.067,
      "long": 0.62,
      "looseAbove": -1.299,
      "looseBelow": -0.955,
      "looseBeside": -0.192,
      "looseLines": -0.551,
      "numbered": 0.433,
      "odd": -1.784,
      "offered": -0.321,
      "oneWord": -1.309,
      "poorPicture": -1.005,
      "repairedAccent": -1.082,
      "rivalLetter": -0.057,
      "short": -2.052,
      "streetWord": 0.378,
      "trust": 0.156,
      "unsure": -0.698,
      "weakRole": -0.499
    },
    "curve": [
      [
        1.448,
        0.752
      ],
      [
        2.495,
        0.917
      ],
      [
        2.994,
        0.936
      ],
      [
        3.54,
        0.96
      ],
      [
        3.908,
        0.973
      ],
      [
        4.184,
        0.988
      ],
      [
        4.718,
        0.994
      ]
    ]
  },
  "title": {
    "bias": 4.995,
    "weights": {
      "accentAsLikely": -0.054,
      "below70": -0.518,
      "below90": -0.847,
      "below99": -1.184,
      "doubtfulCharacters": -0.194,
      "goesOn": -0.395,
      "known": 0.291,
      "large": -1.389,
      "leastSure": 0.672,
      "likelyAccent": -0.478,
      "long": -0.476,
      "looseBelow": -0.595,
      "looseOnNext": -1.769,
      "nearKnown": -0.094,
      "noHead": 0.012,
      "poorPicture": -0.492,
      "rivalAccent": -0.252,
      "rivalLetter": -0.936,
      "single": -0.083,
      "trust": 0.082,
      "unknownWords": -0.949,
      "unsure": -0.646,
      "weakRole": -0.048
    },
    "curve": [
      [
        1.972,
        0.841
      ],
      [
        3.69,
        0.958
      ],
      [
        4.746,
        0.993
      ],
      [
        5.197,
        0.995
      ],
      [
        5.688,
        0.998
      ]
    ]
  }
};
