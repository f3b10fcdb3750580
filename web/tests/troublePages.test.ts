import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import CasePage from '@/stations/trouble/CasePage.vue'
import LinesPage from '@/stations/trouble/LinesPage.vue'
import PractisePage from '@/stations/trouble/PractisePage.vue'
import ProfilePair from '@/stations/trouble/ProfilePair.vue'
import TroubleStation from '@/stations/trouble/TroubleStation.vue'
import { make } from './contract'
import { plain, refuse, serve } from './pages'

const NOW_S = 1_800_000_000
const push = vi.fn()
const replace = vi.fn()
let query: Record<string, string> = {}
vi.mock('vue-router', async (original) => ({
  ...(await original<typeof import('vue-router')>()),
  useRouter: () => ({ push, replace }),
  useRoute: () => ({ query, meta: {} }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  localStorage.clear()
  vi.useRealTimers()
  push.mockReset()
  replace.mockReset()
  query = {}
})

const knowledge = make('TroubleKnowledgeView', {
  signs: [
    make('SignKnowledgeView', {
      id: 'pop',
      seen: 'SOUND',
      seenTitle: 'at the nozzle, sounds',
      name: 'The nozzle pops or hisses',
      words: 'crackle steam',
    }),
    make('SignKnowledgeView', {
      id: 'string',
      seen: 'SURFACE',
      seenTitle: 'surface',
      name: 'Fine hairs between separate places',
      words: 'stringing',
    }),
  ],
  facts: [
    make('FactKnowledgeView', { id: 'hot_idle', name: 'It waited hot' }),
    make('FactKnowledgeView', { id: 'open_frame', name: 'The printer is open' }),
  ],
  causes: [
    make('CauseKnowledgeView', { id: 'wet', name: 'Wet filament' }),
    make('CauseKnowledgeView', { id: 'tangle', name: 'A turn crosses under another' }),
  ],
  tests: [
    make('TestKnowledgeView', {
      id: 't_pull',
      name: 'Pull one metre off',
      minutes: 2,
      waitMinutes: 0,
      outcomes: [make('OutcomeView', { id: 'free', name: 'Light and even' })],
    }),
  ],
})

const air = make('ProposedTestView', {
  id: 't_air',
  name: 'Press 100 mm into free air',
  why: 'It tells most for its minutes.',
  minutes: 3,
  waitMinutes: 120,
  costsPart: true,
  steps: ['Lift the nozzle', 'Feed slowly'],
  outcomes: [
    make('OutcomeView', { id: 'bubbles', name: 'Bubbles' }),
    make('OutcomeView', { id: 'clean', name: 'Clean' }),
  ],
  meaning: 'Bubbles: water.',
  confirms: null,
})

const ranking = (more = {}) =>
  make('TroubleAnswer', {
    causes: [
      make('CauseView', { id: 'wet', name: 'Wet filament', share: 0.7, word: 'likely' }),
      make('CauseView', {
        id: 'hot',
        name: 'The nozzle is too hot',
        share: 0.1,
        word: 'less likely',
      }),
    ],
    unknownShare: 0.04,
    unexplained: ['shift'],
    pair: null,
    nextTest: air,
    quickTest: null,
    questions: [],
    contradictions: [],
    remedies: [
      make('CauseRemedyView', {
        cause: 'wet',
        name: 'Wet filament',
        remedy: 'Dry the spool.',
        minutes: 12,
        testFirst: 'Press 100 mm into free air',
      }),
    ],
    habits: [
      make('HabitView', {
        id: 'WET_LAST',
        name: 'wet last',
        causeName: 'The nozzle is too hot',
        wetShare: 0.2,
      }),
    ],
    ...more,
  })

const trouble = (more = {}) =>
  make('TroubleView', {
    id: 4,
    title: 'hairs on the sign',
    runId: 9,
    run: 'sign letters',
    code: 'K7F4',
    printer: 'Press',
    material: 'PETG',
    openedS: NOW_S,
    facts: [
      make('CaseFactView', {
        id: 'open_frame',
        name: 'The printer is open',
        because: 'open',
        said: false,
        struck: false,
      }),
    ],
    moisture: make('CaseMoistureView', {
      percent: 0.3,
      limitPercent: 0.2,
      ratio: 1.5,
      because: 'the wettest metres',
      struck: false,
    }),
    signs: [
      make('CaseSignView', {
        id: 'string',
        name: 'Fine hairs between separate places',
        answer: 'YES',
      }),
    ],
    tests: [],
    habit: 'NONE',
    untold: false,
    ranking: ranking(),
    reasons: make('ReasonsView', {
      cause: 'wet',
      pushes: [make('PushView', { kind: 'SIGN', id: 'string', name: 'Fine hairs', log10: 0.8 })],
      instead: [],
    }),
    changed: [make('ChangedSinceGoodView', { what: 'spool', then: 'AAAA', now: 'K7F4' })],
    lastGood: 'hooks',
    learnedFrom: 0,
    closing: null,
    version: 3,
    ...more,
  })

const CASE = '/api/troubles/4'

async function caseOf(answers: Record<string, unknown>) {
  const sent = serve({
    '/api/trouble-knowledge': knowledge,
    [`GET ${CASE}`]: trouble(),
    ...answers,
  })
  const page = mount(CasePage, { props: { id: 4 }, global: plain })
  await flushPromises()
  return { page, sent }
}

describe('a case', () => {
  it('says in its headline what leads, in words and not in shares', async () => {
    const { page } = await caseOf({})
    expect(page.get('h1').text()).toBe('hairs on the sign: likely wet filament')
    expect(page.text()).not.toContain('70 %')
    await page
      .findAll('button')
      .find((each) => each.text() === 'Show shares')
      ?.trigger('click')
    expect(page.text()).toContain('70 %')
    expect(page.text()).toContain('Not in the table: 4 %')
  })

  it('says that nothing stands out, or asks what is seen', async () => {
    const vague = ranking({
      causes: [
        make('CauseView', { id: 'wet', name: 'Wet filament', share: 0.1, word: 'less likely' }),
      ],
    })
    const one = await caseOf({ [`GET ${CASE}`]: trouble({ ranking: vague }) })
    expect(one.page.get('h1').text()).toContain('nothing stands out yet')
    const other = await caseOf({ [`GET ${CASE}`]: trouble({ untold: true, signs: [] }) })
    expect(other.page.get('h1').text()).toContain('what is seen?')
    expect(other.page.text()).toContain('before anything is said')
  })

  it('finds a sign by other words and sends all that was said with its version', async () => {
    const said = trouble({
      version: 4,
      signs: [
        make('CaseSignView', { id: 'string', name: 'Fine hairs', answer: 'YES' }),
        make('CaseSignView', { id: 'pop', name: 'Pops', answer: 'NO' }),
      ],
    })
    const { page, sent } = await caseOf({ [`PUT ${CASE}/answers`]: said })
    await page.get('[data-testid=find-sign]').setValue('crackling')
    const found = page.get('[data-testid=signs-found]')
    expect(found.text()).toContain('The nozzle pops or hisses')
    await found
      .findAll('button')
      .find((each) => each.text() === 'no')
      ?.trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toEqual({
      version: 3,
      signs: { string: 'YES', pop: 'NO' },
    })
  })

  it('says what cannot both be, and what must be at hand to tell', async () => {
    const told = ranking({
      questions: [
        make('QuestionView', { id: 'pop', name: 'Pops', needs: 'with the part in the hand' }),
      ],
      contradictions: [
        make('ContradictionView', {
          id: 'warm_time',
          name: 'Only in a warm chamber',
          otherId: 'open_frame',
          otherName: 'The printer is open',
        }),
      ],
    })
    const { page } = await caseOf({ [`GET ${CASE}`]: trouble({ ranking: told }) })
    expect(page.get('[data-testid=contradictions]').text()).toContain(
      '“Only in a warm chamber” and “The printer is open” cannot both be',
    )
    expect(page.get('[data-testid=signs-asked]').text()).toContain('with the part in the hand')
    const plainly = await caseOf({})
    expect(plainly.page.find('[data-testid=contradictions]').exists()).toBe(false)
  })

  it('passes over a test that cannot be done here', async () => {
    const { page, sent } = await caseOf({ [`PUT ${CASE}/answers`]: trouble({ version: 4 }) })
    await page.get('[data-testid=skip-t_air]').trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toEqual({
      version: 3,
      tests: { t_air: 'skipped' },
    })
  })

  it('holds a measured distance against the screw where bands decide', async () => {
    const wave = make('SignKnowledgeView', {
      id: 'wave_period',
      seen: 'LAYERS',
      seenTitle: 'layers',
      name: 'Bands at an even distance',
      words: 'lines repeating',
    })
    const { page, sent } = await caseOf({
      '/api/trouble-knowledge': { ...knowledge, signs: [...knowledge.signs, wave] },
      'POST /api/calc/spacing': make('SpacingAnswer', {
        at: ['turn of the screw'],
        known: [make('KnownPeriodView', { what: 'turn of the screw', mm: 8 })],
      }),
    })
    expect(page.find('#band-spacing').exists()).toBe(false)
    await page.get('[data-testid=find-sign]').setValue('lines repeating')
    await page.get('#band-spacing').setValue('8')
    await page.get('#band-spacing').trigger('change')
    await vi.waitFor(() =>
      expect(page.get('[data-testid=spacing-words]').text()).toBe(
        '8 mm is a turn of the screw: answer yes.',
      ),
    )
    expect(sent.find((each) => each.path === '/api/calc/spacing')?.body).toMatchObject({
      spacingMm: 8,
      screwLeadMm: 8,
    })
  })

  it('takes an answer back by a second tap', async () => {
    const { page, sent } = await caseOf({
      [`PUT ${CASE}/answers`]: trouble({ version: 4, signs: [] }),
    })
    const yes = page
      .get('[data-testid=signs-said]')
      .findAll('button')
      .find((each) => each.text() === 'yes')
    expect(yes?.attributes('aria-pressed')).toBe('true')
    await yes?.trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'PUT')?.body).toEqual({ version: 3, signs: {} })
  })

  it('makes a second quick answer a change of what the first one made', async () => {
    const { page, sent } = await caseOf({ [`PUT ${CASE}/answers`]: trouble({ version: 8 }) })
    await page.get('[data-testid=outcome-bubbles]').trigger('click')
    await page.get('[data-testid=strike-moisture]').trigger('click')
    await flushPromises()
    const puts = sent.filter((each) => each.method === 'PUT').map((each) => each.body)
    expect(puts).toEqual([
      { version: 3, tests: { t_air: 'bubbles' } },
      { version: 8, struck: ['moisture'] },
    ])
  })

  it('tells what a test takes and what to try, with the test before it', async () => {
    const { page } = await caseOf({})
    const test = page.get('[data-testid=next-test]')
    expect(test.text()).toContain('3 min of work, 2 h of waiting, a small print')
    expect(test.findAll('li')).toHaveLength(2)
    expect(page.text()).toContain('Dry the spool.')
    expect(page.text()).toContain('First: press 100 mm into free air.')
    expect(page.text()).toContain('spool: AAAA → K7F4')
  })

  it('names two causes at once where they explain it better', async () => {
    const pair = make('CausePairView', {
      first: 'Wet filament',
      second: 'The plate is dirty',
      log10Odds: 0.5,
    })
    const { page } = await caseOf({ [`GET ${CASE}`]: trouble({ ranking: ranking({ pair }) }) })
    expect(page.text()).toContain('Perhaps two at once: Wet filament and The plate is dirty')
    expect(page.text()).toContain('better than one alone')
  })

  it('closes with the first cause, and shows what the server refuses at its field', async () => {
    const { page, sent } = await caseOf({
      [`POST ${CASE}/close`]: refuse('remedy', 'long', 'up to 500 characters', 'Say it shorter.'),
    })
    await page.get('#close-remedy').setValue('dried eight hours')
    await page.get('form.close').trigger('submit')
    await flushPromises()
    expect(sent.find((each) => each.path.endsWith('/close'))?.body).toMatchObject({
      version: 3,
      cause: 'wet',
      worked: 'YES',
      remedy: 'dried eight hours',
    })
    expect(page.get('#close-remedy-problem').text()).toContain('up to 500 characters')
  })

  it('brings what the print cost, to a tenth, and lets the server say what is allowed', async () => {
    const { page } = await caseOf({
      [`GET ${CASE}`]: trouble({ lostG: 77.6846400003, lostHours: 4.5899 }),
    })
    expect((page.get('#close-grams').element as HTMLInputElement).value).toBe('77.7')
    expect((page.get('#close-hours').element as HTMLInputElement).value).toBe('4.6')
    expect(page.get('form.close').attributes('novalidate')).toBeDefined()
  })

  it('shows a closed case without anything to change', async () => {
    const closing = make('ClosingView', {
      closedS: NOW_S,
      cause: 'wet',
      causeName: 'Wet filament',
      remedy: 'dried',
      worked: 'YES',
      note: null,
    })
    const { page } = await caseOf({ [`GET ${CASE}`]: trouble({ closing }) })
    expect(page.get('h1').text()).toBe('hairs on the sign: it was wet filament')
    expect(page.text()).toContain('That worked.')
    expect(page.find('[data-testid=close-case]').exists()).toBe(false)
    expect(page.find('[data-testid=next-test]').exists()).toBe(false)
    expect(page.get('[data-testid=signs-said]').findAll('button')[0]?.attributes('disabled')).toBe(
      '',
    )
  })
})

describe('the list of cases', () => {
  const answers = {
    '/api/troubles': make('TroublesView', {
      open: [],
      closed: [],
      causes: [],
      standOuts: [
        make('StandOutView', {
          kind: 'plate',
          name: 'Sheet A',
          its: make('FailedShareView', { failed: 7, prints: 15, low: 0.31, high: 0.62 }),
          others: make('FailedShareView', { failed: 3, prints: 46, low: 0.04, high: 0.14 }),
        }),
      ],
    }),
    '/api/prints': make('PrintsView', {
      running: [],
      ended: [
        make('RunView', {
          id: 9,
          name: 'sign letters',
          outcome: 'FAILED',
          outcomeTitle: 'failed',
          endedS: NOW_S,
          signs: [],
          overrides: [],
          photos: [],
        }),
        make('RunView', {
          id: 8,
          name: 'hooks',
          outcome: 'GOOD',
          outcomeTitle: 'good',
          endedS: NOW_S,
          signs: [],
          overrides: [],
          photos: [],
        }),
      ],
      signs: [],
    }),
    '/api/printers': [],
    '/api/trouble-learning': make('TroubleLearningView', {
      cases: 1,
      sinceS: 0,
      causes: [],
      links: [],
    }),
  }

  it('offers prints that came out badly and opens a case from one', async () => {
    const sent = serve({ ...answers, 'POST /api/troubles': trouble() })
    const page = mount(TroubleStation, { global: plain })
    await flushPromises()
    expect(page.get('h1').text()).toBe('No open case')
    expect(page.text()).toContain('sign letters')
    expect(page.text()).not.toContain('hooks')
    expect(page.text()).toContain(
      '7 of 15 prints (31 % to 62 %); all others 3 of 46 prints (4 % to 14 %).',
    )
    await page
      .findAll('button')
      .find((each) => each.text() === 'sign letters')
      ?.trigger('click')
    await flushPromises()
    expect(sent.find((each) => each.method === 'POST')?.body).toEqual({ runId: 9 })
    expect(push).toHaveBeenCalledWith('/trouble/4')
  })

  it('asks before it forgets what was learned', async () => {
    const sent = serve({
      ...answers,
      'POST /api/trouble-learning/reset': make('TroubleLearningView', {
        cases: 0,
        sinceS: 1,
        causes: [],
        links: [],
      }),
    })
    const page = mount(TroubleStation, { global: plain })
    await flushPromises()
    const press = (words: string) =>
      page
        .findAll('button')
        .find((each) => each.text() === words)
        ?.trigger('click')
    await press('Forget what was learned')
    expect(sent.some((each) => each.method === 'POST')).toBe(false)
    await press('Forget it')
    await flushPromises()
    expect(sent.some((each) => each.path.endsWith('/reset'))).toBe(true)
  })
})

describe('practice', () => {
  const practice = make('PracticeView', {
    seed: 7,
    level: 'CLEAR',
    levels: [],
    facts: [make('NamedView', { id: 'hot_idle', name: 'It waited hot' })],
    moistureRatio: 1.8,
    seen: [make('NamedView', { id: 'string', name: 'Fine hairs' })],
  })

  it('keeps the steps, says what they cost, and looks back once a cause is named', async () => {
    query = { case: '7' }
    const sent = serve({
      '/api/trouble-knowledge': knowledge,
      '/api/practice/7': practice,
      'POST /api/practice/7/answers': [
        make('PracticeAnswerView', {
          test: true,
          id: 't_pull',
          name: 'Pull one metre off',
          answer: 'Light and even',
          minutes: 2,
          grams: 0,
        }),
      ],
      'POST /api/practice/7/review': make('PracticeReviewView', {
        causes: [
          make('HiddenCauseView', {
            id: 'wet',
            name: 'Wet filament',
            remedy: 'Dry it.',
            prevention: 'Close it.',
          }),
        ],
        right: false,
        way: [
          make('StandingView', { name: 'Pull one metre off', leader: 'Wet filament', share: 0.5 }),
        ],
        shortest: [],
        shortestMinutes: 0,
        misled: [make('NamedView', { id: 'WET_LAST', name: 'wet last' })],
      }),
    })
    const page = mount(PractisePage, { global: plain })
    await flushPromises()
    expect(page.text()).toContain('its metres had 1.8 times the moisture')
    await page.get('[data-testid=practice-test]').setValue('t_pull')
    await flushPromises()
    expect(page.text()).toContain('So far 2 min of work')
    const name = page.get('form.name button')
    expect(name.attributes('disabled')).toBe('')
    await page.get('[data-testid=practice-cause-0]').setValue('tangle')
    await page.get('form.name').trigger('submit')
    await flushPromises()
    expect(sent[sent.length - 1]?.body).toEqual({
      level: 'CLEAR',
      steps: [{ test: true, id: 't_pull' }],
      causes: ['tangle'],
    })
    expect(page.get('h1').text()).toBe('It was something else')
    expect(page.text()).toContain('The habit "wet last" would have named another cause here.')
    expect(page.text()).toContain('no step')
  })
})

describe('lines on a wall', () => {
  it('waits for a photograph and its height', () => {
    serve({})
    const page = mount(LinesPage, { global: plain })
    expect(page.get('[data-testid=compare-lines]').attributes('disabled')).toBe('')
    expect(page.get('[data-testid=compare-lines]').text()).toBe('Look for spacings')
  })

  it('are drawn to one scale of height', () => {
    const wall = (heightMm: number, stepMm: number) =>
      make('WallView', { heightMm, stepMm, brightness: [0, 1, 0, -1], spacings: [], caution: null })
    const page = mount(ProfilePair, { props: { first: wall(20, 5), second: wall(10, 2.5) } })
    const [first, second] = page.findAll('path.profile').map((path) => path.attributes('d') ?? '')
    const end = (path: string | undefined) => Number(/L([\d.]+) [\d.-]+$/.exec(path ?? '')?.[1])
    expect(end(first) / end(second)).toBeCloseTo(2, 2)
    expect(page.text()).toContain('20 mm')
  })
})
