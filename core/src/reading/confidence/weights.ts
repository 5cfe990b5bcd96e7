import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.671,
    "weights": {
      "agrees": 0.416,
      "agreesLittle": -0.638,
      "alone": 0.742,
      "atEdge": -0.795,
      "below90": -0.148,
      "below99": -0.658,
      "contested": -1.466,
      "inferred": -1.557,
      "large": 0.1,
      "leastSure": 0.775,
      "likelyAccent": -0.716,
      "long": -0.25,
      "looseAbove": -0.896,
      "looseBelow": -1.226,
      "looseInDomain": -0.712,
      "looseLines": -0.663,
      "odd": -0.877,
      "offered": -1.839,
      "person": 0.057,
      "poorPicture": -0.477,
      "repairedAccent": -1.423,
      "rivalAccent": -0.376,
      "single": -2.371,
      "topmost": 0.849,
      "trade": 0.602,
      "trust": 1.018,
      "weakRole": -0.508
    },
    "curve": [
      [
        0.431,
        0.747
      ],
      [
        2.469,
        0.955
      ],
      [
        3.195,
        0.982
      ],
      [
        4.187,
        0.996
      ]
    ]
  },
  "email": {
    "bias": 4.41,
    "weights": {
      "accentAsLikely": -0.061,
      "below70": -0.095,
      "below90": -0.913,
      "below99": -0.721,
      "byFirm": 0.356,
      "changed": -0.999,
      "confusable": 0.258,
      "contested": -2.554,
      "digits": 0.017,
      "doubtfulCharacters": -0.609,
      "freeMail": 0.199,
      "leastSure": 0.802,
      "letterBefore": -0.198,
      "likelyAccent": -0.714,
      "looseAbove": -0.733,
      "looseBeside": -0.588,
      "nameless": -0.243,
      "offered": -1.185,
      "poorPicture": -1.65,
      "rivalAccent": -0.339,
      "rivalLetter": -0.874,
      "signs": 0.499,
      "topmost": 0.008,
      "unsure": -0.312
    },
    "curve": [
      [
        2.109,
        0.841
      ],
      [
        3.329,
        0.897
      ],
      [
        5.24,
        0.998
      ]
    ]
  },
  "name": {
    "bias": 2.54,
    "weights": {
      "accentAsLikely": -0.5,
      "alone": -0.291,
      "apart": -0.827,
      "asFirm": 0.676,
      "below70": -0.191,
      "below99": -0.702,
      "contested": -2.718,
      "inMailbox": 0.343,
      "known": 1.098,
      "knownAccent": 1.121,
      "large": 0.841,
      "leastSure": 0.283,
      "likelyAccent": -1.189,
      "long": 0.947,
      "looseAbove": -0.254,
      "manyParts": -0.895,
      "offered": -0.335,
      "otherKnown": 0.271,
      "particles": 0.233,
      "repairedAccent": -0.791,
      "rivalAccent": -1.238,
      "short": -0.272,
      "topmost": -0.079,
      "trade": 0.083,
      "trust": 0.852,
      "unsure": -0.44
    },
    "curve": [
      [
        0.684,
        0.678
      ],
      [
        2.991,
        0.904
      ],
      [
        3.676,
        0.974
      ],
      [
        4.419,
        0.984
      ],
      [
        5.342,
        0.998
      ]
    ]
  },
  "phone": {
    "bias": 6.197,
    "weights": {
      "american": -0.163,
      "below70": -0.414,
      "below90": -0.838,
      "doubtfulCharacters": -0.199,
      "extension": 0.118,
      "few": -0.523,
      "looseBelow": -0.413,
      "looseBeside": -0.608,
      "looseLines": -0.094,
      "nationalUnplaced": -0.318,
      "offered": -0.602,
      "rivalLetter": -0.073,
      "severalSuch": -0.517,
      "strangeLabel": -1.115,
      "topmost": -0.93,
      "trunkless": -0.174,
      "trust": 0.314,
      "unlabelled": -0.973,
      "unsure": -0.366
    },
    "curve": [
      [
        4.375,
        0.975
      ],
      [
        5.033,
        0.98
      ],
      [
        5.501,
        0.987
      ],
      [
        6.16,
        0.998
      ],
      [
        6.45,
        0.998
      ]
    ]
  },
  "place": {
    "bias": 5.445,
    "weights": {
      "accentAsLikely": -0.089,
      "below70": -1.775,
      "below90": -0.833,
      "doubtfulCharacters": -0.51,
      "known": 1.088,
      "large": 0.001,
      "leastSure": 0.801,
      "likelyAccent": -0.794,
      "long": -0.926,
      "looseAbove": -1.666,
      "looseBelow": -1.599,
      "looseLines": -1.403,
      "looseOnNext": -0.742,
      "odd": -1.611,
      "poorPicture": -0.976,
      "printedTwice": 0.032,
      "rivalAccent": -0.582,
      "rivalLetter": -0.106,
      "trust": 0,
      "unsure": -0.412
    },
    "curve": [
      [
        2.624,
        0.907
      ],
      [
        3.963,
        0.966
      ],
      [
        4.513,
        0.976
      ],
      [
        5.009,
        0.985
      ],
      [
        5.349,
        0.995
      ],
      [
        6.076,
        0.998
      ]
    ]
  },
  "street": {
    "bias": 3.874,
    "weights": {
      "below70": -0.327,
      "below90": -0.415,
      "below99": -0.413,
      "comma": 0.019,
      "doubtfulCharacters": -0.572,
      "joined": -1.913,
      "large": -0.793,
      "leastSure": 0.174,
      "long": -0.487,
      "looseAbove": -1.195,
      "looseBelow": -0.758,
      "looseBeside": -0.188,
      "looseLines": -0.232,
      "numbered": 0.103,
      "odd": -2.433,
      "offered": -0.298,
      "oneWord": -1.45,
      "poorPicture": -1.188,
      "repairedAccent": -0.982,
      "rivalLetter": -0.022,
      "short": -2.185,
      "streetWord": 0.324,
      "trust": 0.188,
      "unsure": -0.544,
      "weakRole": -0.601
    },
    "curve": [
      [
        1.774,
        0.81
      ],
      [
        2.891,
        0.886
      ],
      [
        4.164,
        0.998
      ]
    ]
  },
  "title": {
    "bias": 4.808,
    "weights": {
      "accentAsLikely": -0.071,
      "below70": -0.64,
      "below90": -0.821,
      "below99": -0.92,
      "doubtfulCharacters": -0.228,
      "goesOn": -1.044,
      "joined": -0.804,
      "known": 0.308,
      "large": -1.617,
      "leastSure": 0.594,
      "likelyAccent": -0.364,
      "long": -0.485,
      "looseBelow": -1.871,
      "looseLines": -0.284,
      "looseOnNext": -1.634,
      "noHead": -0.001,
      "poorPicture": -0.525,
      "rivalAccent": -0.141,
      "rivalLetter": -0.772,
      "single": -0.382,
      "unknownWords": -0.965,
      "unsure": -0.626,
      "weakRole": -0.119
    },
    "curve": [
      [
        1.874,
        0.822
      ],
      [
        3.49,
        0.965
      ],
      [
        4.245,
        0.99
      ],
      [
        4.961,
        0.993
      ],
      [
        5.592,
        0.998
      ]
    ]
  }
};
