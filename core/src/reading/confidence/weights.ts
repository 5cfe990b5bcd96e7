import type { Weights } from './models';

/** Written by `npm run fit:confidence`. */
export const WEIGHTS: Weights = {
  "company": {
    "bias": 1.432,
    "weights": {
      "agrees": 0.528,
      "agreesLittle": -0.744,
      "alone": 0.735,
      "atEdge": -0.78,
      "below90": -0.15,
      "below99": -0.763,
      "contested": -1.468,
      "inferred": -2.129,
      "large": 0.055,
      "leastSure": 1.176,
      "likelyAccent": -0.538,
      "long": -0.307,
      "looseAbove": -0.942,
      "looseBelow": -1.3,
      "looseInDomain": -0.353,
      "looseLines": -0.501,
      "odd": -0.878,
      "offered": -1.921,
      "person": 0.084,
      "poorPicture": -0.474,
      "repairedAccent": -1.459,
      "rivalAccent": -0.147,
      "single": -2.252,
      "topmost": 0.889,
      "trade": 0.514,
      "trust": 0.957,
      "weakRole": -0.523
    },
    "curve": [
      [
        -1.436,
        0.71
      ],
      [
        1.518,
        0.843
      ],
      [
        2.533,
        0.941
      ],
      [
        3.858,
        0.998
      ]
    ]
  },
  "email": {
    "bias": 4.865,
    "weights": {
      "accentAsLikely": -0.089,
      "below70": -0.145,
      "below90": -0.963,
      "below99": -1.148,
      "byFirm": 0.275,
      "byName": 0.553,
      "changed": -0.96,
      "confusable": -0.062,
      "contested": -1.468,
      "digits": 0.029,
      "doubtfulCharacters": -0.593,
      "freeMail": 0.176,
      "leastSure": 0.692,
      "letterBefore": -0.642,
      "likelyAccent": -0.671,
      "looseAbove": -0.73,
      "looseBeside": -0.231,
      "nameless": -0.192,
      "nearName": -0.246,
      "offered": -0.809,
      "poorPicture": -1.612,
      "rivalAccent": -0.606,
      "rivalLetter": -0.739,
      "signs": 0.084,
      "topmost": 0.009,
      "trust": 0,
      "unsure": -0.283
    },
    "curve": [
      [
        2.762,
        0.879
      ],
      [
        3.927,
        0.953
      ],
      [
        4.683,
        0.995
      ],
      [
        5.995,
        0.998
      ]
    ]
  },
  "name": {
    "bias": 2.659,
    "weights": {
      "accentAsLikely": -0.466,
      "alone": 0.209,
      "apart": -0.842,
      "asFirm": 0.668,
      "below70": -0.158,
      "below99": -0.597,
      "contested": -2.644,
      "doubtfulCharacters": -0.024,
      "inMailbox": 0.31,
      "known": 1.06,
      "knownAccent": 1.12,
      "large": 0.769,
      "leastSure": 0.325,
      "likelyAccent": -1.329,
      "long": 0.922,
      "looseAbove": -0.211,
      "manyParts": -0.916,
      "offered": -0.364,
      "otherKnown": 0.214,
      "particles": 0.24,
      "repairedAccent": -0.745,
      "rivalAccent": -1.15,
      "short": -0.277,
      "topmost": -0.037,
      "trade": 0.074,
      "trust": 0.775,
      "unsure": -0.358
    },
    "curve": [
      [
        0.755,
        0.712
      ],
      [
        3.07,
        0.904
      ],
      [
        3.742,
        0.957
      ],
      [
        4.385,
        0.982
      ],
      [
        5.268,
        0.998
      ]
    ]
  },
  "phone": {
    "bias": 6.198,
    "weights": {
      "american": -0.163,
      "below70": -0.416,
      "below90": -0.832,
      "doubtfulCharacters": -0.198,
      "extension": 0.118,
      "few": -0.524,
      "looseBelow": -0.415,
      "looseBeside": -0.607,
      "looseLines": -0.091,
      "nationalUnplaced": -0.315,
      "offered": -0.602,
      "rivalLetter": -0.071,
      "severalSuch": -0.519,
      "strangeLabel": -1.116,
      "topmost": -0.93,
      "trunkless": -0.175,
      "trust": 0.313,
      "unlabelled": -0.975,
      "unsure": -0.366
    },
    "curve": [
      [
        4.384,
        0.975
      ],
      [
        5.017,
        0.98
      ],
      [
        5.536,
        0.989
      ],
      [
        6.183,
        0.998
      ],
      [
        6.458,
        0.998
      ]
    ]
  },
  "place": {
    "bias": 5.482,
    "weights": {
      "accentAsLikely": -0.162,
      "below70": -1.647,
      "below90": -0.82,
      "doubtfulCharacters": -0.716,
      "known": 1.058,
      "large": 0.001,
      "leastSure": 0.765,
      "likelyAccent": -0.849,
      "long": -0.982,
      "looseAbove": -1.699,
      "looseBelow": -1.621,
      "looseBeside": -0.007,
      "looseLines": -1.463,
      "looseOnNext": -0.741,
      "odd": -1.654,
      "poorPicture": -0.753,
      "printedTwice": 0.033,
      "rivalAccent": -0.662,
      "rivalLetter": -0.071,
      "trust": 0,
      "unsure": -0.251
    },
    "curve": [
      [
        2.744,
        0.917
      ],
      [
        3.983,
        0.966
      ],
      [
        4.537,
        0.976
      ],
      [
        5.03,
        0.985
      ],
      [
        5.364,
        0.995
      ],
      [
        6.08,
        0.998
      ]
    ]
  },
  "street": {
    "bias": 3.946,
    "weights": {
      "accentAsLikely": -0.046,
      "below70": -0.502,
      "below90": -0.29,
      "below99": -0.421,
      "comma": 0.037,
      "doubtfulCharacters": -0.544,
      "joined": -1.909,
      "large": -0.791,
      "leastSure": 0.11,
      "long": -0.503,
      "looseAbove": -1.174,
      "looseBelow": -0.749,
      "looseBeside": -0.188,
      "looseLines": -0.232,
      "numbered": 0.059,
      "odd": -2.459,
      "offered": -0.284,
      "oneWord": -1.427,
      "poorPicture": -1.244,
      "repairedAccent": -1.021,
      "rivalLetter": -0.062,
      "short": -2.162,
      "streetWord": 0.311,
      "trust": 0.194,
      "unsure": -0.595,
      "weakRole": -0.62
    },
    "curve": [
      [
        1.774,
        0.81
      ],
      [
        2.564,
        0.897
      ],
      [
        3.014,
        0.909
      ],
      [
        3.253,
        0.909
      ],
      [
        4.193,
        0.998
      ]
    ]
  },
  "title": {
    "bias": 4.79,
    "weights": {
      "accentAsLikely": -0.078,
      "below70": -0.658,
      "below90": -0.793,
      "below99": -0.905,
      "doubtfulCharacters": -0.224,
      "goesOn": -1.047,
      "joined": -0.804,
      "known": 0.315,
      "large": -1.619,
      "leastSure": 0.616,
      "likelyAccent": -0.324,
      "long": -0.489,
      "looseBelow": -1.876,
      "looseLines": -0.28,
      "looseOnNext": -1.635,
      "noHead": -0.008,
      "poorPicture": -0.54,
      "rivalAccent": -0.139,
      "rivalLetter": -0.793,
      "single": -0.382,
      "unknownWords": -0.971,
      "unsure": -0.638,
      "weakRole": -0.129
    },
    "curve": [
      [
        1.883,
        0.822
      ],
      [
        3.484,
        0.965
      ],
      [
        4.458,
        0.992
      ],
      [
        5.017,
        0.992
      ],
      [
        5.529,
        0.998
      ]
    ]
  }
};
