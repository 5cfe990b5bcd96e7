"""What is printed on cards: texts of single lines, drawn by lot from names, words and numbers.

Names, streets and towns come from Faker's locales, words from Debian's word lists, so that letters
with accents appear about as often as the languages use them.
"""

import json
import re
import unicodedata
from pathlib import Path

from faker import Faker

HERE = Path(__file__).parent
CHARSET = json.loads((HERE / "../models/latin-charset.json").resolve().read_text(encoding="utf8"))
ALLOWED = frozenset(CHARSET)

LOCALES = (
    "en_GB en_US en_IE en_AU en_CA de_DE de_AT de_CH fr_FR fr_CH nl_NL nl_BE es_ES es_MX pt_PT pt_BR "
    "it_IT sv_SE dk_DK no_NO fi_FI pl_PL cs_CZ sk_SK hu_HU ro_RO hr_HR sl_SI tr_TR et_EE lv_LV lt_LT"
).split()
WORD_LISTS = (
    "british-english ngerman french spanish italian dutch swedish danish bokmaal polish portuguese brazilian"
).split()
LATIN_1_LISTS = frozenset(["swedish", "bokmaal"])
ENDINGS = "com co.uk ie com.au ca de at ch fr be nl es pt it se dk no fi pl com.br eu net org cz hu ro io biz example".split()
LEGAL_FORMS = (
    "Ltd|Ltd.|Limited|LLP|plc|Inc.|LLC|Corp.|Pty Ltd|GmbH|GmbH & Co. KG|AG|KG|e.K.|OHG|SARL|SA|S.A.|SAS|EURL|BV|B.V.|NV|"
    "S.L.|S.A.U.|Lda.|Lda|Ltda.|S.r.l.|S.p.A.|AB|A/S|ApS|AS|ASA|Oy|Oyj|Sp. z o.o.|S.A.|s.r.o.|Kft."
).split("|")
PREFIXES = "Dr.|Dr|Prof.|Prof. Dr.|Dipl.-Ing.|Mag.|DI|Ing.|Mr|Mrs|Ms|Herr|Frau|Mme|M.|Dott.|Dott.ssa|Avv.|Sr.|Sra.|Eng.|Dra.|mr.|ir.|dr hab.|mgr".split("|")
CREDENTIALS = "MBA|PhD|Ph.D.|CPA|MSc|M.Sc.|BSc|B.A.|CEng|MRICS|FCA|ACCA|P.Eng.|MD|LL.M.|PMP|RN|CFA|Esq.|M.A.|DipArch|FRSA".split("|")
PHONE_LABELS = (
    "T|T.|T:|Tel|Tel.|Tel:|Tel.:|TEL|Phone|Phone:|P|P:|M|M.|M:|Mobile|Mob.|Mobil|Mobil:|Handy|Port.|Portable|Móvil|Móvil:|"
    "Telemóvel|Tlm.|Cell|Cel.|Cel:|C:|F|F:|Fax|Fax:|Fax.|D|D:|Direct|Direct:|Direkt|Durchwahl|Office|Zentrale|Tél.|Tél. :|"
    "Tlf.|Tlf|Puh.|GSM|Mobiel|Telefon|Telefono|Teléfono|Telefone|tel. kom.|Komórka|Cellulare|Hotline|Switchboard|Ligne directe|☎"
).split("|")
MAIL_LABELS = "E|E:|E-Mail|E-Mail:|E-mail:|Email|Email:|Mail|Mail:|e-mail|Courriel|Courriel :|Correo|Sähköposti|E-post|Mailto|e:|@".split("|")
WEB_LABELS = "W|W:|Web|Web:|www|Internet|Site|Website:|w:|Web :|Hemsida|Strona".split("|")
OTHER_NUMBERS = (
    "VAT {}|VAT No. GB {}|USt-IdNr. DE{}|HRB {}|SIRET {}|SIREN {}|NIF {}|CIF B{}|P.IVA {}|C.F. {}|KvK {}|BTW NL{}B01|CVR {}|"
    "Org.nr. {}|Y-tunnus {}|NIP {}|REGON {}|CNPJ {}|ABN {}|Reg. No. {}|IBAN {}|CHE-{}|BCE {}|UID ATU{}|Company No. {}|No. {}"
).split("|")
HOURS = "Mon–Fri|Mo–Fr|Lun–Ven|Lu–Ve|Ma–Vr|Mån–Fre|Mon - Sat|Öffnungszeiten|Opening hours|Horario|Horaires|Orari".split("|")
SIGNS = "&+-–·•/|,:;()'’\"“”„«»!?%°№#*€$£@_=<>[]™®©§"
SEPARATORS = [" · ", " | ", " • ", " / ", " – ", " - ", ", ", "  ", " "]


def _table(name):
    lines = (HERE / "words" / f"{name}.txt").read_text(encoding="utf8").splitlines()
    return [line.strip() for line in lines if line.strip() and not line.startswith("#")]


TITLES = _table("titles")
DEPARTMENTS = _table("departments")
PHRASES = _table("phrases")
STREETS = _table("streets")


class LineWriter:
    """
    Writes one line after another; after `begin` with the same seed come the same lines.

    :param finishing: lines as cards have them, with accents as often as the languages use them and more of the
        signs that are easily confused, for the last part of the training
    """

    def __init__(self, finishing=False):
        self.accents = 0.12 if finishing else 0.3
        self.fakers = [Faker(locale) for locale in LOCALES]
        self.words = []
        for name in WORD_LISTS:
            encoding = "latin1" if name in LATIN_1_LISTS else "utf8"
            words = (Path("/usr/share/dict") / name).read_text(encoding=encoding).split()
            self.words.append([w for w in words if 1 < len(w) < 19 and set(w) <= ALLOWED])
        self.accented = [[w for w in words if not w.isascii()] for words in self.words]
        self.kinds = [
            (self.name, 17), (self.title, 12), (self.company, 12), (self.address, 15), (self.email, 10),
            (self.web, 6), (self.phone, 12), (self.phrase, 7), (self.number, 4), (self.chance, 1 if finishing else 5),
        ] + ([(self.signs, 10)] if finishing else [])
        weights = [w for _, w in self.kinds]
        self.weights = [w / sum(weights) for w in weights]

    def begin(self, rng, seed):
        """
        :param rng: numpy Generator
        :param seed: for Faker, whose locales share one source of chance
        """
        self.rng = rng
        self.fakers[0].seed(seed)

    def next(self):
        """A line of 1 to 48 characters, all of them in the charset."""
        while True:
            kind = self.kinds[self.rng.choice(len(self.kinds), p=self.weights)][0]
            text = self._case(re.sub(r"\s+", " ", kind()).strip(), kind)
            if 1 <= len(text) <= 48 and set(text) <= ALLOWED:
                return text

    def one(self, options):
        return options[int(self.rng.integers(len(options)))]

    def happens(self, share):
        return self.rng.random() < share

    def _case(self, text, kind):
        if kind in (self.email, self.web):
            return text.upper() if self.happens(0.06) else text
        if self.happens(0.24):
            return text.upper()
        if self.happens(0.04):
            return text.lower()
        return text

    def _words(self, low, high):
        lists = self.accented if self.happens(self.accents) else self.words
        words = lists[int(self.rng.integers(len(lists)))] or self.words[0]
        return [self.one(words) for _ in range(int(self.rng.integers(low, high + 1)))]

    def name(self):
        fake = self.one(self.fakers)
        first, last = fake.first_name(), fake.last_name()
        if self.happens(0.12):
            first = f"{first}{self.one([' ', '-'])}{fake.first_name()}"
        elif self.happens(0.1):
            first = f"{first} {self.one('ABCDEFGHJKLMNPRSTVW')}."
        if self.happens(0.1):
            last = f"{last}{self.one(['-', ' '])}{fake.last_name()}"
        elif self.happens(0.08):
            last = f"{self.one(['van', 'van der', 'de', 'von', 'di', 'da', 'dos', 'del', 'O’', 'Mc', 'd’', 'Mac', 'zu', 'le', 'El'])} {last}".replace("’ ", "’").replace("Mc ", "Mc")
        text = f"{first} {last}" if not self.happens(0.06) else f"{last}, {first}"
        if self.happens(0.12):
            text = f"{self.one(PREFIXES)} {text}"
        if self.happens(0.12):
            text = f"{text}{self.one([', ', ' '])}{self.one(CREDENTIALS)}"
        return self.one([first, last]) if self.happens(0.08) else text

    def title(self):
        if self.happens(0.15):
            return self.one(self.fakers).job()[:44]
        text = self.one(TITLES)
        if self.happens(0.25):
            text += self.one([", ", " · ", " – ", " | ", " / ", " & "]) + self.one(DEPARTMENTS if self.happens(0.6) else TITLES)
        return self.one(DEPARTMENTS) if self.happens(0.1) else text

    def company(self):
        lot = self.rng.random()
        if lot < 0.35:
            return self.one(self.fakers).company()
        words = [w.capitalize() for w in self._words(1, 3)]
        if lot < 0.55:
            words = [self.one(self.fakers).last_name()] + [self.one(["&", "+", "und", "et", "y", "e", "og", "en", "i"])] + words[:1]
        text = " ".join(words)
        return f"{text} {self.one(LEGAL_FORMS)}" if self.happens(0.45) else text

    def address(self):
        fake = self.one(self.fakers)
        lot = self.rng.random()
        street = fake.street_address().split("\n")[0]
        if self.happens(0.3):
            number = self.rng.integers(1, 220)
            street = f"{self.one(STREETS)} {number}{self.one(['', '', '', 'a', 'B', '/3', '-' + str(number + 4)])}"
        town = self.one(STREETS) if self.happens(0.1) else fake.city()
        post = fake.postcode()
        country = self.one(["", "", "D-", "A-", "CH-", "F-", "I-", "L-", "SE-", "DK-", "NL-"])
        if lot < 0.3:
            return street
        if lot < 0.6:
            return f"{country}{post} {town}" if self.happens(0.75) else f"{town} {post}"
        if lot < 0.8:
            return f"{street}{self.one([', ', ' · ', ' | ', ' • ', ' – '])}{country}{post} {town}"
        if lot < 0.9:
            return f"{self.one(['Unit', 'Suite', 'Floor', 'Level', 'Box', 'PO Box', 'Postfach', 'BP', 'Apt.', 'Hall', 'Stand', '3. OG', 'Lokal'])} {self.rng.integers(1, 400)}{self.one(['', '', 'A', 'b', '/2'])}, {street}"
        return post if self.happens(0.5) else f"{town}, {fake.country() if self.happens(0.5) else post}"

    def _domain(self):
        if self.happens(0.5):
            base = self.one(["", "-", "."]).join(self._words(1, 2)).lower()
        else:
            base = self.one(self.fakers).last_name().lower() + self.one(["", "-", ""]) + self.one(self.words[0]).lower()
        return plain(base) + "." + self.one(ENDINGS)

    def email(self):
        fake = self.one(self.fakers)
        first, last = plain(fake.first_name()), plain(fake.last_name())
        local = self.one([
            f"{first}.{last}", f"{first[:1]}.{last}", f"{first}", f"{first[:1]}{last}", f"{last}", f"{first}_{last}",
            f"{first}-{last}", f"{last}.{first[:1]}", self.one(["info", "office", "mail", "sales", "kontakt", "contact", "hello", "service"]),
            f"{first}{self.rng.integers(1, 100)}",
        ])
        text = f"{local}@{self._domain()}"
        return f"{self.one(MAIL_LABELS)} {text}" if self.happens(0.3) else text

    def web(self):
        text = self.one(["www.", "www.", "www.", "", "http://", "https://", "https://www."]) + self._domain()
        if self.happens(0.12):
            text += "/" + plain(self.one(self.words[0]))
        if self.happens(0.08):
            text = self.one(["@", "/in/", "people.example/in/"]) + plain(self.one(self.fakers).user_name())
        return f"{self.one(WEB_LABELS)} {text}" if self.happens(0.2) else text

    def _phone(self):
        fake = self.one(self.fakers)
        if self.happens(0.4):
            return fake.phone_number()
        groups = [str(int(self.rng.integers(10 ** (n - 1), 10**n))) for n in self.rng.integers(2, 5, int(self.rng.integers(2, 5)))]
        lead = self.one(["+{} ", "+{} (0) ", "+{}.", "00{} ", "0", "(0{}) ", "+{}-", "(+{}) "]).replace("{}", str(int(self.rng.integers(1, 99))))
        text = lead + self.one([" ", " ", ".", "-", "/", ""]).join(groups)
        return text + f" {self.one(['ext.', 'ext', 'x', 'DW', 'Dw.', '-'])} {self.rng.integers(1, 999)}" if self.happens(0.08) else text

    def phone(self):
        text = self._phone()
        if self.happens(0.6):
            text = f"{self.one(PHONE_LABELS)} {text}"
        if self.happens(0.12):
            text += self.one(SEPARATORS[:7]) + f"{self.one(PHONE_LABELS)} {self._phone()}"
        return text

    def phrase(self):
        return self.one(PHRASES) if self.happens(0.5) else " ".join(self._words(1, 5))

    def number(self):
        digits = "".join(str(d) for d in self.rng.integers(0, 10, int(self.rng.integers(3, 13))))
        if self.happens(0.4):
            return self.one(OTHER_NUMBERS).replace("{}", self.one([digits, " ".join(digits[i : i + 3] for i in range(0, len(digits), 3))]))
        if self.happens(0.3):
            return f"{self.one(HOURS)} {self.rng.integers(6, 11)}{self.one([':00', '.00', '.30', ' h', ''])}{self.one(['–', ' – ', '-'])}{self.rng.integers(12, 21)}{self.one([':00', '.00', ':30', ' h', ' Uhr'])}"
        letters = "".join(self.one("ABCDEFGHJKLMNPQRSTUVWXYZ0123456789") for _ in range(int(self.rng.integers(2, 8))))
        return self.one([digits, letters, f"{letters[:3]} {letters[3:]}", f"{letters[:2]}{digits[:3]} {digits[3:4]}{letters[2:4]}"])

    def signs(self):
        """What looks alike: dashes and hyphens, degrees and ordinals, letters under a circumflex and under a dot."""
        lot = self.rng.random()
        low = int(self.rng.integers(1, 190))
        high = low + int(self.rng.integers(1, 12))
        if lot < 0.4:
            street = self.one(STREETS) if self.happens(0.5) else self.one(self.fakers).street_name()
            number = f"{low}{self.one(['–', '–', '-'])}{high}"
            return self.one([f"{street} {number}", f"{number} {street}", number])
        if lot < 0.6:
            name = f"{self.one(self.fakers).last_name()}{self.one(['–', '-', ' – ', ' - ', ' — '])}{self.one(self.fakers).last_name()}"
            return name if self.happens(0.5) else f"{name} {self.one(LEGAL_FORMS)}"
        if lot < 0.85:
            floor = f"{self.rng.integers(1, 12)}{self.one('ºªº°')}"
            return self.one([
                f"{self.one(['Calle', 'Rua', 'Avda.', 'Av.', 'Travessa', 'Paseo', 'Largo'])} {self.one(self.fakers).last_name()}, {low}, {floor}{self.one(['', ' A', ' Dto.', ' Esq.', ' izda.', ' B'])}",
                f"{self.one(['Dpto.', 'Piso', 'Planta', 'Andar', 'Sala'])} {floor}", f"{floor} {self.one(['andar', 'piso', 'planta', 'Esq.', 'Dto.'])}",
                f"{self.one(['nº', 'Nº', 'n.º', 'N°', 'n°'])} {low}", f"{low}° {high}’ N", f"{self.one(['Dr.ª', 'Eng.º', 'M.ª', 'Eng.ª', 'D.ª'])} {self.one(self.fakers).name()}",
            ])
        words = [w for w in self.accented[2] + self.accented[4] if set(w.lower()) & set("îïìíûôœæçëê")]
        return " ".join(self.one(words).capitalize() for _ in range(int(self.rng.integers(1, 4))))

    def chance(self):
        length = int(self.rng.integers(2, 16))
        pool = CHARSET if self.happens(0.5) else CHARSET[:95] + list(SIGNS)
        return "".join(self.one(pool) if not self.happens(0.12) else " " for _ in range(length))


_UMLAUTS = str.maketrans({"ä": "ae", "ö": "oe", "ü": "ue", "ß": "ss", "ø": "o", "å": "a", "æ": "ae", "ł": "l", "đ": "d", "ı": "i"})


def plain(text):
    """Lower case with a to z, digits and hyphens only, as domains and mailboxes are written."""
    text = unicodedata.normalize("NFD", text.lower().translate(_UMLAUTS))
    return re.sub(r"[^a-z0-9.-]", "", text).strip(".-") or "x"
