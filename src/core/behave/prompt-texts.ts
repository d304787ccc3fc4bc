/** The texts of ready prompts, in the languages that ship. Others read English. */
import type { Prompt, ReadyPrompt } from '../document/schema';

export const PROMPT_LANGUAGES = ['en', 'de', 'fr', 'es', 'pt', 'ja'] as const;
export type PromptLanguage = (typeof PROMPT_LANGUAGES)[number];

const TEXTS: Record<ReadyPrompt, readonly [string, string, string, string, string, string]> = {
  tapScreen: [
    'Tap the screen',
    'Tippe auf den Bildschirm',
    'Touche l’écran',
    'Toca la pantalla',
    'Toque na tela',
    '画面をタップ',
  ],
  tapObject: ['Tap it', 'Tippe darauf', 'Touche-le', 'Tócalo', 'Toque nele', 'それをタップ'],
  holdScreen: [
    'Tap and hold',
    'Tippen und halten',
    'Touche et maintiens',
    'Mantén pulsado',
    'Toque e segure',
    '長押し',
  ],
  dragObject: ['Drag it', 'Zieh es', 'Fais-le glisser', 'Arrástralo', 'Arraste', 'ドラッグ'],
  openMouth: [
    'Open your mouth',
    'Öffne den Mund',
    'Ouvre la bouche',
    'Abre la boca',
    'Abra a boca',
    '口を開けて',
  ],
  puckerLips: [
    'Pucker your lips',
    'Spitze die Lippen',
    'Fais un bisou',
    'Frunce los labios',
    'Faça biquinho',
    '唇をすぼめて',
  ],
  blow: ['Blow', 'Puste', 'Souffle', 'Sopla', 'Sopre', '息を吹いて'],
  smile: ['Smile', 'Lächle', 'Souris', 'Sonríe', 'Sorria', '笑って'],
  wink: ['Wink', 'Zwinkere', 'Fais un clin d’œil', 'Guiña un ojo', 'Pisque', 'ウインクして'],
  closeEyes: [
    'Close your eyes',
    'Schließ die Augen',
    'Ferme les yeux',
    'Cierra los ojos',
    'Feche os olhos',
    '目を閉じて',
  ],
  raiseBrows: [
    'Raise your eyebrows',
    'Heb die Augenbrauen',
    'Lève les sourcils',
    'Levanta las cejas',
    'Levante as sobrancelhas',
    '眉を上げて',
  ],
  nod: ['Nod', 'Nicke', 'Hoche la tête', 'Asiente', 'Acene com a cabeça', 'うなずいて'],
  shakeHead: [
    'Shake your head',
    'Schüttle den Kopf',
    'Secoue la tête',
    'Niega con la cabeza',
    'Balance a cabeça',
    '首を横に振って',
  ],
  tiltHead: [
    'Tilt your head',
    'Neige den Kopf',
    'Penche la tête',
    'Inclina la cabeza',
    'Incline a cabeça',
    '首をかしげて',
  ],
  turnHead: [
    'Turn your head',
    'Dreh den Kopf',
    'Tourne la tête',
    'Gira la cabeza',
    'Vire a cabeça',
    '顔を横に向けて',
  ],
  comeCloser: ['Come closer', 'Komm näher', 'Approche-toi', 'Acércate', 'Chegue mais perto', '近づいて'],
  stepBack: ['Step back', 'Geh zurück', 'Recule', 'Aléjate', 'Afaste-se', '離れて'],
  showFace: [
    'Show your face',
    'Zeig dein Gesicht',
    'Montre ton visage',
    'Muestra tu cara',
    'Mostre o rosto',
    '顔を見せて',
  ],
  bringFriend: [
    'Bring a friend',
    'Hol jemanden dazu',
    'Invite quelqu’un',
    'Trae a alguien',
    'Chame alguém',
    '友だちと一緒に',
  ],
  showHand: [
    'Show your hand',
    'Zeig deine Hand',
    'Montre ta main',
    'Muestra la mano',
    'Mostre a mão',
    '手を見せて',
  ],
  openPalm: [
    'Show your open palm',
    'Zeig die offene Hand',
    'Montre ta paume',
    'Muestra la palma',
    'Mostre a palma',
    '手のひらを見せて',
  ],
  thumbUp: ['Thumb up', 'Daumen hoch', 'Lève le pouce', 'Pulgar arriba', 'Polegar para cima', '親指を立てて'],
  findFloor: [
    'Point at the floor',
    'Zeig auf den Boden',
    'Vise le sol',
    'Apunta al suelo',
    'Aponte para o chão',
    '床に向けて',
  ],
  findTable: [
    'Point at a table',
    'Zeig auf einen Tisch',
    'Vise une table',
    'Apunta a una mesa',
    'Aponte para uma mesa',
    'テーブルに向けて',
  ],
  tapToPlace: [
    'Tap to put it there',
    'Tippe, um es hinzustellen',
    'Touche pour le poser',
    'Toca para colocarlo',
    'Toque para colocar',
    'タップして置く',
  ],
  findWall: [
    'Point at a wall',
    'Zeig auf eine Wand',
    'Vise un mur',
    'Apunta a una pared',
    'Aponte para a parede',
    '壁に向けて',
  ],
  findPicture: [
    'Point at the picture',
    'Zeig auf das Bild',
    'Vise l’image',
    'Apunta a la imagen',
    'Aponte para a imagem',
    '絵に向けて',
  ],
  walkAround: [
    'Walk around it',
    'Geh herum',
    'Fais le tour',
    'Camina alrededor',
    'Ande em volta',
    'まわりを歩いて',
  ],
  flipCamera: [
    'Flip the camera',
    'Dreh die Kamera um',
    'Retourne la caméra',
    'Gira la cámara',
    'Vire a câmera',
    'カメラを切り替えて',
  ],
  startRecording: [
    'Start recording',
    'Starte die Aufnahme',
    'Lance l’enregistrement',
    'Empieza a grabar',
    'Comece a gravar',
    '録画を始めて',
  ],
  moveSlider: [
    'Move the slider',
    'Beweg den Regler',
    'Bouge le curseur',
    'Mueve el control',
    'Mova o controle',
    'スライダーを動かして',
  ],
  chooseOne: ['Choose one', 'Wähle eines', 'Choisis', 'Elige uno', 'Escolha um', '選んで'],
};

/** The language to read, of those the viewer prefers: "pt-BR" reads Portuguese. */
export const promptLanguage = (preferred: readonly string[]): PromptLanguage => {
  for (const one of preferred) {
    const short = one.slice(0, 2).toLowerCase();
    const found = PROMPT_LANGUAGES.find((l) => l === short);
    if (found) return found;
  }
  return 'en';
};

/** What a prompt says in a language; own words are the same in all. */
export const promptText = ({ text }: Pick<Prompt, 'text'>, language: PromptLanguage): string =>
  text.kind === 'own' ? text.text : TEXTS[text.key][PROMPT_LANGUAGES.indexOf(language)]!;
