"""The Latin head: reads the features of the recogniser's frozen backbone.

Inputs are the convolutions' output before pooling [N, 480, 3, T] and the neck's features
[N, T/2, 120]; output is the probability of each class at each of the T steps, which stand four
pixels of the 48-pixel crop apart. Class 0 is the blank of connectionist temporal classification.
"""

import torch
from torch import nn
from torch.nn.functional import hardswish

WIDTH = 192
BLOCKS = 3


class LatinHead(nn.Module):
    """Everything is a convolution: fast on a processor, and free of any line length."""

    def __init__(self, classes):
        super().__init__()
        self.narrow = nn.Conv2d(480, 128, 1)
        self.pool = nn.Conv2d(128, WIDTH, 3, padding=(0, 1))  # its height of three takes in all rows
        self.neck = nn.Conv1d(120, WIDTH, 1)
        self.blocks = nn.ModuleList(nn.Conv1d(WIDTH, WIDTH, 5, padding=2) for _ in range(BLOCKS))
        self.drop = nn.Dropout(0.1)
        self.classify = nn.Conv1d(WIDTH, classes, 1)

    def forward(self, convolutions, neck):
        """Scores before the softmax, [N, classes, T]."""
        rows = self.pool(hardswish(self.narrow(convolutions)))[:, :, 0]
        half = self.neck(neck.transpose(1, 2))
        context = torch.stack((half, half), dim=3).flatten(2)  # each step of the neck stands for two
        x = hardswish(rows + context)
        for block in self.blocks:
            x = x + hardswish(block(x))
        return self.classify(self.drop(x))


class Exported(nn.Module):
    """The head as it is shipped: probabilities, steps before classes."""

    def __init__(self, head):
        super().__init__()
        self.head = head

    def forward(self, convolutions, neck):
        return torch.softmax(self.head(convolutions, neck), dim=1).transpose(1, 2)
