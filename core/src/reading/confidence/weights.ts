import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.701,
    "weights": {
      "agrees": 0.498,
      "agreesLittle": -0.638,
      "alone": 0.622,
      "atEdge": -0.794,
      "below90": -0.612,
      "below99": -0.467,
      "contested": -1.442,
      "doubtfulAccent": -0.295,
      "inferred": -1.668,
      "large": 0.085,
      "leastSure": 0.743,
      "long": -0.398,
      "looseAbove": -0.927,
      "looseBelow": -1.233,
      "lostAccent": -0.189,
      "odd": -1.004,
      "offered": -1.997,
      "person": 0.14,
      "poorPicture": -0.585,
      "repairedAccent": -1.492,
      "rivalCharacter": -0.041,
      "single": -2.527,
      "topmost": 0.822,
      "trade": 0.549,
      "trust": 1.07,
      "weakRole": -0.398
    },
    "curve": [
      [
        -0.129,
        0.772
      ],
      [
        1.691,
        0.839
      ],
      [
        2.322,
        0.941
      ],
      [
        3.024,
        0.964
      ],
      [
        3.567,
        0.978
      ],
      [
        4.319,
        0.995
      ]
    ]
  },
  "email": {
    "bias": 4.195,
    "weights": {
      "below90": -0.788,
      "below99": -0.733,
      "byFirm": 0.268,
      "changed": -1.209,
      "confusable": 0.537,
      "contested": -2.015,
      "digits": 0.008,
      "doubtfulCharacters": -0.902,
      "freeMail": 0.173,
      "leastSure": 0.726,
      "letterBefore": -0.148,
      "looseAbove": -0.804,
      "looseBeside": -0.8,
      "lostAccent": -0.324,
      "nameless": -0.166,
      "offered": -1.074,
      "poorPicture": -1.566,
      "rivalCharacter": -0.268,
      "signs": 0.842,
      "topmost": 0.007,
      "trust": 0,
      "unsure": -0.438
    },
    "curve": [
      [
        2.31,
        0.841
      ],
      [
        3.383,
        0.935
      ],
      [
        3.759,
        0.972
      ],
      [
        4.77,
        0.997
      ],
      [
        5.76,
        0.998
      ]
    ]
  },
  "name": {
    "bias": 2.078,
    "weights": {
      "alone": -0.291,
      "asFirm": 0.402,
      "below70": -0.034,
      "below90": -0.77,
      "below99": -1.304,
      "contested": -2.68,
      "doubtfulAccent": -0.214,
      "doubtfulCharacters": -0.221,
      "inMailbox": 0.41,
      "known": 1.147,
      "large": 0.621,
      "leastSure": 1.536,
      "long": 1.02,
      "looseAbove": -0.135,
      "offered": -0.444,
      "otherKnown": 0.38,
      "particles": -0.16,
      "repairedAccent": -1.066,
      "rivalCharacter": -0.54,
      "short": -0.322,
      "topmost": -0.083,
      "trade": 0.153,
      "trust": 0.773,
      "unsure": -0.787
    },
    "curve": [
      [
        0.585,
        0.678
      ],
      [
        2.404,
        0.922
      ],
      [
        3.307,
        0.957
      ],
      [
        4.29,
        0.985
      ],
      [
        5.107,
        0.991
      ],
      [
        5.883,
        0.997
      ]
    ]
  },
  "phone": {
    "bias": 6.079,
    "weights": {
      "american": -0.143,
      "below70": -0.442,
      "below90": -0.855,
      "doubtfulCharacters": -0.203,
      "extension": 0.097,
      "few": -0.567,
      "looseBelow": -0.509,
      "looseBeside": -0.951,
      "nationalUnplaced": -0.352,
      "offered": -0.599,
      "rivalCharacter": -0.171,
      "severalSuch": -0.618,
      "topmost": -0.967,
      "trust": 0.354,
      "unlabelled": -1.142,
      "unsure": -0.378
    },
    "curve": [
      [
        4.346,
        0.969
      ],
      [
        4.764,
        0.98
      ],
      [
        5.276,
        0.989
      ],
      [
        5.907,
        0.99
      ],
      [
        6.103,
        0.997
      ],
      [
        6.336,
        0.998
      ]
    ]
  },
  "place": {
    "bias": 5.406,
    "weights": {
      "below70": -1.787,
      "below90": -0.897,
      "doubtfulAccent": -0.249,
      "doubtfulCharacters": -0.495,
      "known": 1.079,
      "large": 0.001,
      "leastSure": 0.748,
      "long": -0.89,
      "looseAbove": -1.954,
      "looseBelow": -1.728,
      "looseOnNext": -0.699,
      "lostAccent": -0.358,
      "odd": -1.608,
      "poorPicture": -1.063,
      "printedTwice": 0.028,
      "repairedAccent": -0.058,
      "rivalCharacter": -0.461,
      "trust": 0,
      "unsure": -0.316
    },
    "curve": [
      [
        2.51,
        0.907
      ],
      [
        4.279,
        0.978
      ],
      [
        5.263,
        0.992
      ],
      [
        5.594,
        0.995
      ],
      [
        6.168,
        0.998
      ]
    ]
  },
  "street": {
    "bias": 3.087,
    "weights": {
      "below70": -0.476,
      "below90": -0.519,
      "below99": -0.452,
      "comma": -0.162,
      "doubtfulCharacters": -0.353,
      "joined": -1.659,
      "large": -0.79,
      "leastSure": 0.449,
      "long": -0.416,
      "looseAbove": -1.311,
      "looseBelow": -0.824,
      "looseBeside": -0.196,
      "lostAccent": -0.082,
      "numbered": 0.292,
      "offered": -0.305,
      "poorPicture": -1.095,
      "repairedAccent": -1.05,
      "rivalCharacter": -0.204,
      "short": -2.831,
      "streetWord": 0.722,
      "trust": 0.169,
      "unsure": -0.301,
      "weakRole": -0.541
    },
    "curve": [
      [
        1.166,
        0.83
      ],
      [
        2.051,
        0.836
      ],
      [
        2.473,
        0.839
      ],
      [
        2.836,
        0.897
      ],
      [
        4.003,
        0.998
      ]
    ]
  },
  "title": {
    "bias": 5.406,
    "weights": {
      "below70": -0.151,
      "below90": -0.421,
      "below99": -0.969,
      "doubtfulAccent": -1.111,
      "doubtfulCharacters": -0.493,
      "goesOn": -0.148,
      "joined": -0.805,
      "known": 0.239,
      "large": -1.703,
      "leastSure": 0.506,
      "long": -0.597,
      "looseBelow": -1.746,
      "looseOnNext": -1.731,
      "lostAccent": -0.752,
      "noHead": -0.144,
      "offered": -0.03,
      "poorPicture": -0.954,
      "rivalCharacter": -0.477,
      "single": -0.329,
      "unknownWords": -0.955,
      "unsure": -0.797,
      "weakRole": -0.185
    },
    "curve": [
      [
        1.737,
        0.841
      ],
      [
        2.856,
        0.916
      ],
      [
        3.683,
        0.967
      ],
      [
        4.139,
        0.976
      ],
      [
        5.26,
        0.997
      ],
      [
        6.1,
        0.997
      ]
    ]
  }
};
