/** What the page says on which messages are withdrawn from, by the language that a browser asks for. `{team}` and `{to}` are filled in. */
export interface WithdrawPageWords {
  ask: string;
  because: string;
  button: string;
  done: string;
  doneWords: string;
  nothing: string;
  nothingWords: string;
}

export const WITHDRAW_PAGE_WORDS: Readonly<Record<string, WithdrawPageWords>> = {
  en: {
    ask: 'No more messages?',
    because: '{team} writes to {to} because it was noted that you agreed to it.',
    button: 'No more messages',
    done: 'That is noted',
    doneWords: '{team} no longer writes to {to}. Nothing that was planned goes out.',
    nothing: 'Nothing to withdraw',
    nothingWords:
      'This way leads nowhere any more. Answer the message instead, and write that you want no more of them.',
  },
  de: {
    ask: 'Keine Nachrichten mehr?',
    because: '{team} schreibt an {to}, weil vermerkt wurde, dass Sie damit einverstanden sind.',
    button: 'Keine Nachrichten mehr',
    done: 'Das ist vermerkt',
    doneWords: '{team} schreibt nicht mehr an {to}. Nichts, was geplant war, geht noch hinaus.',
    nothing: 'Nichts zu widerrufen',
    nothingWords:
      'Dieser Weg führt nirgendwo mehr hin. Antworten Sie stattdessen auf die Nachricht und schreiben Sie, dass Sie keine mehr möchten.',
  },
  fr: {
    ask: 'Plus de messages ?',
    because: '{team} écrit à {to} parce qu’il a été noté que vous étiez d’accord.',
    button: 'Plus de messages',
    done: 'C’est noté',
    doneWords: '{team} n’écrit plus à {to}. Rien de ce qui était prévu ne part.',
    nothing: 'Rien à retirer',
    nothingWords: 'Ce lien ne mène plus nulle part. Répondez plutôt au message et écrivez que vous n’en voulez plus.',
  },
  es: {
    ask: '¿No más mensajes?',
    because: '{team} escribe a {to} porque se anotó que usted estaba de acuerdo.',
    button: 'No más mensajes',
    done: 'Queda anotado',
    doneWords: '{team} ya no escribe a {to}. Nada de lo previsto se enviará.',
    nothing: 'Nada que retirar',
    nothingWords: 'Este enlace ya no lleva a ninguna parte. Responda al mensaje y escriba que no desea recibir más.',
  },
  it: {
    ask: 'Niente più messaggi?',
    because: '{team} scrive a {to} perché è stato annotato il Suo consenso.',
    button: 'Niente più messaggi',
    done: 'Annotato',
    doneWords: '{team} non scrive più a {to}. Nulla di quanto era previsto verrà inviato.',
    nothing: 'Niente da revocare',
    nothingWords: 'Questo link non porta più da nessuna parte. Risponda al messaggio e scriva che non ne vuole altri.',
  },
  nl: {
    ask: 'Geen berichten meer?',
    because: '{team} schrijft naar {to} omdat is genoteerd dat u daarmee instemde.',
    button: 'Geen berichten meer',
    done: 'Dat is genoteerd',
    doneWords: '{team} schrijft niet meer naar {to}. Niets van wat gepland was, gaat nog uit.',
    nothing: 'Niets in te trekken',
    nothingWords: 'Deze link leidt nergens meer heen. Beantwoord het bericht en schrijf dat u er geen meer wilt.',
  },
  pl: {
    ask: 'Koniec wiadomości?',
    because: '{team} pisze na adres {to}, ponieważ odnotowano Państwa zgodę.',
    button: 'Koniec wiadomości',
    done: 'Odnotowano',
    doneWords: '{team} nie pisze już na adres {to}. Nic, co było zaplanowane, nie zostanie wysłane.',
    nothing: 'Nie ma czego wycofać',
    nothingWords:
      'Ten link już nigdzie nie prowadzi. Proszę odpowiedzieć na wiadomość i napisać, że nie chcą Państwo kolejnych.',
  },
  pt: {
    ask: 'Não quer mais mensagens?',
    because: '{team} escreve para {to} porque ficou registado que concordou.',
    button: 'Não quero mais mensagens',
    done: 'Ficou registado',
    doneWords: '{team} já não escreve para {to}. Nada do que estava previsto será enviado.',
    nothing: 'Nada a retirar',
    nothingWords: 'Esta ligação já não leva a lado nenhum. Responda à mensagem e escreva que não quer receber mais.',
  },
  da: {
    ask: 'Ingen flere beskeder?',
    because: '{team} skriver til {to}, fordi det er noteret, at du har sagt ja til det.',
    button: 'Ingen flere beskeder',
    done: 'Det er noteret',
    doneWords: '{team} skriver ikke længere til {to}. Intet af det, der var planlagt, bliver sendt.',
    nothing: 'Intet at trække tilbage',
    nothingWords:
      'Dette link fører ikke længere nogen steder hen. Svar på beskeden, og skriv, at du ikke vil have flere.',
  },
  nb: {
    ask: 'Ingen flere meldinger?',
    because: '{team} skriver til {to} fordi det er notert at du har sagt ja til det.',
    button: 'Ingen flere meldinger',
    done: 'Det er notert',
    doneWords: '{team} skriver ikke lenger til {to}. Ingenting av det som var planlagt, blir sendt.',
    nothing: 'Ingenting å trekke tilbake',
    nothingWords: 'Denne lenken fører ikke lenger noe sted. Svar på meldingen og skriv at du ikke vil ha flere.',
  },
  sv: {
    ask: 'Inga fler meddelanden?',
    because: '{team} skriver till {to} eftersom det har antecknats att du har sagt ja till det.',
    button: 'Inga fler meddelanden',
    done: 'Det är antecknat',
    doneWords: '{team} skriver inte längre till {to}. Inget av det som var planerat skickas.',
    nothing: 'Inget att återkalla',
    nothingWords:
      'Den här länken leder inte längre någonstans. Svara på meddelandet och skriv att du inte vill ha fler.',
  },
  fi: {
    ask: 'Ei enää viestejä?',
    because: '{team} kirjoittaa osoitteeseen {to}, koska suostumuksesi on merkitty muistiin.',
    button: 'Ei enää viestejä',
    done: 'Se on merkitty',
    doneWords: '{team} ei enää kirjoita osoitteeseen {to}. Mitään suunniteltua ei lähetetä.',
    nothing: 'Ei mitään peruttavaa',
    nothingWords: 'Tämä linkki ei enää johda mihinkään. Vastaa viestiin ja kirjoita, ettet halua niitä enempää.',
  },
  cs: {
    ask: 'Žádné další zprávy?',
    because: '{team} píše na adresu {to}, protože bylo zaznamenáno, že jste s tím souhlasili.',
    button: 'Žádné další zprávy',
    done: 'Je to zaznamenáno',
    doneWords: '{team} už na adresu {to} nepíše. Nic z toho, co bylo naplánováno, neodejde.',
    nothing: 'Není co odvolat',
    nothingWords: 'Tento odkaz už nikam nevede. Odpovězte na zprávu a napište, že další nechcete.',
  },
};
