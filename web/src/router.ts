import { createRouter, createWebHistory } from 'vue-router'
import { loadSession } from './account/session'
import { maySound } from './player/maySound'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: () => import('./shelf/ShelfView.vue'), meta: { title: 'Shelf' } },
    {
      path: '/sets/:setId',
      component: () => import('./bench/BenchView.vue'),
      props: true,
      children: [
        {
          path: '',
          component: () => import('./stands/StandsView.vue'),
          props: true,
          meta: { title: 'Where it stands' },
        },
        {
          path: 'arrival',
          component: () => import('./arrival/ArrivalView.vue'),
          props: true,
          children: [
            { path: '', redirect: (to) => `${to.path.replace(/\/$/, '')}/photos` },
            {
              path: 'photos',
              component: () => import('./photos/PhotosStep.vue'),
              props: true,
              meta: { title: 'Photographs' },
            },
            {
              path: 'label',
              component: () => import('./arrival/LabelStep.vue'),
              props: true,
              meta: { title: 'Label and supply' },
            },
            {
              path: 'complaints',
              component: () => import('./arrival/ComplaintsStep.vue'),
              props: true,
              meta: { title: 'Owner’s words and controls' },
            },
            {
              path: 'take-apart',
              component: () => import('./arrival/TakeApartStep.vue'),
              props: true,
              meta: { title: 'Take-apart register' },
            },
            {
              path: 'inspection',
              component: () => import('./arrival/InspectionStep.vue'),
              props: true,
              meta: { title: 'Inspection walk' },
            },
            {
              path: 'worth',
              component: () => import('./arrival/WorthStep.vue'),
              props: true,
              meta: { title: 'Worth it?' },
            },
          ],
        },
        {
          path: 'cold',
          component: () => import('./cold/ColdView.vue'),
          props: true,
          children: [
            {
              path: '',
              component: () => import('./cold/PlanOverview.vue'),
              props: true,
              meta: { title: 'Cold bench' },
            },
            {
              path: 'workshop',
              component: () => import('./cold/WorkshopStep.vue'),
              props: true,
              meta: { title: 'Transformer workshop' },
            },
            {
              path: ':test',
              component: () => import('./cold/TestStep.vue'),
              props: true,
              meta: { title: 'Cold test' },
            },
          ],
        },
        {
          path: 'parts',
          component: () => import('./parts/PartsFrame.vue'),
          props: true,
          children: [
            { path: '', component: () => import('./parts/KnownView.vue'), props: true, meta: { title: 'Parts' } },
            {
              path: 'plan',
              component: () => import('./parts/PlanView.vue'),
              props: true,
              meta: { title: 'What goes in' },
            },
            {
              path: 'forming',
              component: () => import('./parts/FormingView.vue'),
              props: true,
              meta: { title: 'Forming' },
            },
            {
              path: 'rectifying',
              component: () => import('./parts/RectifyingView.vue'),
              props: true,
              meta: { title: 'Rectifier' },
            },
            {
              path: 'left',
              component: () => import('./parts/LeftView.vue'),
              props: true,
              meta: { title: 'What is left to do' },
            },
          ],
        },
        {
          path: 'power',
          component: () => import('./power/PowerFrame.vue'),
          props: true,
          children: [
            {
              path: '',
              component: () => import('./power/ReadyFace.vue'),
              props: true,
              meta: { title: 'Before power' },
            },
            { path: 'plan', component: () => import('./power/PlanFace.vue'), props: true, meta: { title: 'Plan' } },
            { path: 'run', component: () => import('./power/RunFace.vue'), props: true, meta: { title: 'Run' } },
            {
              path: 'checks',
              component: () => import('./power/ChecksFace.vue'),
              props: true,
              meta: { title: 'First checks' },
            },
            {
              path: 'runs',
              component: () => import('./power/RunsFace.vue'),
              props: true,
              meta: { title: 'Earlier runs' },
            },
          ],
        },
        {
          path: 'finish',
          component: () => import('./finish/FinishFrame.vue'),
          props: true,
          children: [
            {
              path: '',
              component: () => import('./player/SpeedFace.vue'),
              props: true,
              meta: { title: 'Speed' },
              // The server lets only this page hear; within the application one comes from a page that may not.
              beforeEnter: (to) => {
                if (maySound()) return true
                location.assign(to.fullPath)
                return false
              },
            },
            { path: 'drive', component: () => import('./player/DriveFace.vue'), props: true, meta: { title: 'Drive' } },
            {
              path: 'suspects',
              component: () => import('./player/SuspectsFace.vue'),
              props: true,
              meta: { title: 'What explains it' },
            },
            {
              path: 'checks',
              component: () => import('./player/ChecksFace.vue'),
              props: true,
              meta: { title: 'Checks of the player' },
            },
            {
              path: 'strobe',
              component: () => import('./player/StrobeFace.vue'),
              props: true,
              meta: { title: 'Strobe disc' },
            },
            { path: 'work', component: () => import('./mechanics/WorkFace.vue'), props: true, meta: { title: 'Work' } },
            {
              path: 'materials',
              component: () => import('./mechanics/MaterialsFace.vue'),
              props: true,
              meta: { title: 'Materials and agents' },
            },
            {
              path: 'cord',
              component: () => import('./mechanics/CordFace.vue'),
              props: true,
              meta: { title: 'Dial cord' },
            },
            { path: 'dial', component: () => import('./tuning/DialFace.vue'), props: true, meta: { title: 'Dial' } },
            {
              path: 'alignment',
              component: () => import('./alignment/AlignmentFace.vue'),
              props: true,
              meta: { title: 'Alignment' },
            },
            {
              path: 'gains',
              component: () => import('./alignment/GainsFace.vue'),
              props: true,
              meta: { title: 'Gain stage by stage' },
            },
            {
              path: 'radio',
              component: () => import('./alignment/RadioFace.vue'),
              props: true,
              meta: { title: 'Radio-frequency figures' },
            },
            {
              path: 'listening',
              component: () => import('./listening/ListeningFace.vue'),
              props: true,
              meta: { title: 'Listening test' },
            },
          ],
        },
        { path: 'map', component: () => import('./map/MapView.vue'), props: true, meta: { title: 'Proof map' } },
        { path: 'volts', component: () => import('./volts/VoltsView.vue'), props: true, meta: { title: 'Volts' } },
        {
          path: 'volts/rehearsal',
          component: () => import('./volts/RehearsalView.vue'),
          props: true,
          meta: { title: 'The probe’s way' },
        },
        {
          path: 'volts/part',
          component: () => import('./diagnosis/WhichPartView.vue'),
          props: true,
          meta: { title: 'Which part' },
        },
        {
          path: 'circuit',
          component: () => import('./circuit/CircuitFrame.vue'),
          props: true,
          children: [
            {
              path: '',
              component: () => import('./circuit/CircuitView.vue'),
              props: true,
              meta: { title: 'Circuit and sheet' },
            },
            {
              path: 'drawing',
              component: () => import('./circuit/DrawingView.vue'),
              props: true,
              meta: { title: 'Drawing' },
            },
            {
              path: 'walk',
              component: () => import('./circuit/WalkView.vue'),
              props: true,
              meta: { title: 'Walk against the schematic' },
            },
            {
              path: 'ohms',
              component: () => import('./model/OhmsView.vue'),
              props: true,
              meta: { title: 'Cold ohms' },
            },
            {
              path: 'what-if',
              component: () => import('./model/WhatIfView.vue'),
              props: true,
              meta: { title: 'What if' },
            },
          ],
        },
        // Where these two were before they came under the circuit.
        { path: 'ohms', redirect: (to) => to.fullPath.replace('/ohms', '/circuit/ohms') },
        { path: 'what-if', redirect: (to) => to.fullPath.replace('/what-if', '/circuit/what-if') },
        { path: 'log', component: () => import('./log/LogView.vue'), props: true, meta: { title: 'Log' } },
      ],
    },
    { path: '/practice', component: () => import('./practice/PracticesView.vue'), meta: { title: 'Practice' } },
    {
      path: '/practice/:practiceId',
      component: () => import('./practice/PracticeView.vue'),
      props: true,
      meta: { title: 'Practice' },
    },
    { path: '/house', component: () => import('./house/HouseView.vue'), meta: { title: 'House policy' } },
    { path: '/house/tubes', component: () => import('./tubes/TubesView.vue'), meta: { title: 'Tubes' } },
    {
      path: '/house/shopping',
      component: () => import('./shopping/ShoppingView.vue'),
      meta: { title: 'Shopping' },
    },
    {
      path: '/house/catalogue',
      component: () => import('./catalogue/CatalogueView.vue'),
      meta: { title: 'Catalogue' },
    },
    { path: '/house/people', component: () => import('./account/PeopleView.vue'), meta: { title: 'People' } },
    { path: '/account', component: () => import('./account/AccountView.vue'), meta: { title: 'You' } },
    { path: '/sign-in', component: () => import('./account/SignInView.vue'), meta: { title: 'Sign in', door: true } },
    {
      path: '/welcome',
      component: () => import('./account/WelcomeView.vue'),
      meta: { title: 'Open the shop', door: true },
    },
    {
      path: '/pair',
      component: () => import('./account/PairView.vue'),
      meta: { title: 'Use this device', door: true },
    },
    { path: '/:rest(.*)*', component: () => import('./shelf/NowhereView.vue'), meta: { title: 'Nothing here' } },
  ],
})

/** Nobody gets past the door unknown; who is known does not need it, but for a link that may be somebody else's. */
router.beforeEach(async (to) => {
  const session = await loadSession()
  // Nobody answers: the page itself says so, and what waits in this browser can still be seen.
  if (!session) return true
  if (session.state === 'SIGNED_IN') return to.path === '/welcome' || to.path === '/sign-in' ? '/' : true
  if (to.path === '/pair') return true
  const door = session.state === 'FIRST_START' ? '/welcome' : '/sign-in'
  return to.path === door
    ? true
    : { path: door, query: door === '/sign-in' && to.fullPath !== '/' ? { to: to.fullPath } : {} }
})

router.afterEach((to) => {
  document.title = `${String(to.meta['title'] ?? '')} · Umber Dial`
})
