import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.649,
    "weights": {
      "agrees": 0.579,
      "agreesLittle": -0.687,
      "alone": 0.845,
      "atEdge": -0.838,
      "below90": -0.45,
      "below99": -0.816,
      "contested": -0.279,
      "inferred": -1.832,
      "large": 0.566,
      "leastSure": 1.178,
      "likelyAccent": -0.482,
      "long": -0.552,
      "looseAbove": -0.32,
      "looseBelow": -0.736,
      "looseInDomain": -1.761,
      "looseLines": -0.287,
      "odd": -1.003,
      "offered": -1.016,
      "person": 0.259,
      "poorPicture": -0.738,
      "repairedAccent": -0.648,
      "rivalAccent": -0.33,
      "single": -1.694,
      "topmost": 0.31,
      "trade": 0.477,
      "trust": 1.081,
      "weakRole": -1.077
    },
    "curve": [
      [
        1.253,
        0.795
      ],
      [
        2.77,
        0.965
      ],
      [
        3.409,
        0.978
      ],
      [
        4.438,
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
    "bias": 4.45,
    "weights": {
      "accentAsLikely": -0.487,
      "alone": 0.049,
      "apart": -0.614,
      "asFirm": 0.356,
      "below70": -0.096,
      "below90": -0.153,
      "below99": -0.316,
      "contested": -0.853,
      "doubtfulCharacters": -0.158,
      "inMailbox": 0.016,
      "known": 0.581,
      "knownAccent": 0.942,
      "large": -0.041,
      "leastSure": 0.711,
      "likelyAccent": -1.295,
      "long": 0.216,
      "offered": -0.243,
      "otherKnown": 0.462,
      "particles": -0.335,
      "repairedAccent": -1.078,
      "rivalAccent": -1.482,
      "short": 0.137,
      "topmost": 0.015,
      "trade": 0.032,
      "trust": 0.276,
      "unsure": -0.428
    },
    "curve": [
      [
        1.6,
        0.712
      ],
      [
        3.62,
        0.885
      ],
      [
        4.509,
        0.915
      ],
      [
        4.768,
        0.951
      ],
      [
        5.117,
        0.971
      ],
      [
        5.468,
        0.989
      ],
      [
        5.892,
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
    "bias": 5.616,
    "weights": {
      "accentAsLikely": -0.009,
      "below70": -1.671,
      "below90": -0.828,
      "below99": -0.08,
      "doubtfulCharacters": -0.743,
      "known": 0.894,
      "large": 0.001,
      "leastSure": 0.682,
      "likelyAccent": -0.319,
      "long": -1.042,
      "looseAbove": -1.765,
      "looseBelow": -0.915,
      "looseBeside": -0.023,
      "looseLines": -1.128,
      "looseOnNext": -0.891,
      "odd": -1.636,
      "poorPicture": -0.865,
      "printedTwice": 0.03,
      "repairedAccent": -0.055,
      "rivalAccent": -0.238,
      "rivalLetter": -0.199,
      "trust": 0,
      "unsure": -0.27
    },
    "curve": [
      [
        2.798,
        0.937
      ],
      [
        4.465,
        0.978
      ],
      [
        5.301,
        0.988
      ],
      [
        6.112,
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
    "bias": 4.551,
    "weights": {
      "below70": -0.34,
      "below90": -0.78,
      "below99": -0.701,
      "doubtfulCharacters": -0.302,
      "goesOn": -0.061,
      "large": -1.227,
      "leastSure": 0.286,
      "lettersAgainst": -0.756,
      "likelyAccent": -0.346,
      "long": -0.476,
      "looseBelow": -0.647,
      "looseBeside": -2.591,
      "looseOnNext": -1.701,
      "noHead": -0.296,
      "odd": -0.735,
      "poorPicture": -0.583,
      "rivalLetter": -1.009,
      "trust": 1.107,
      "unknownWords": -1.188,
      "unsure": -0.739,
      "weakRole": -1.155
    },
    "curve": [
      [
        1.228,
        0.69
      ],
      [
        2.45,
        0.92
      ],
      [
        3.573,
        0.961
      ],
      [
        4.371,
        0.973
      ],
      [
        4.65,
        0.995
      ],
      [
        5.231,
        0.998
      ]
    ]
  }
};
