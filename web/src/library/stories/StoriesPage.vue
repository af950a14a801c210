<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import StoryWalk from './StoryWalk.vue'
import { shelves, storyAt } from './walk.ts'

const props = defineProps<{ story?: string }>()
const route = useRoute()
const chosen = computed(() => (props.story ? storyAt(props.story) : undefined))
const step = computed(() => {
  const asked = Number(route.query.entry)
  return Number.isInteger(asked) && asked >= 1 ? Math.min(asked, 99) : 1
})
const list = ref<HTMLElement>()
// opened by its address, a story is chosen out of sight
onMounted(() => list.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest' }))
const count = shelves.reduce((sum, one) => sum + one.stories.length, 0)
</script>

<template>
  <main class="stories" :class="{ chosen }">
    <nav ref="list" class="list" aria-label="Stories">
      <router-link :to="{ name: 'library' }" class="eyebrow back">Library</router-link>
      <h1>Stories</h1>
      <p class="dim">{{ count }} whole call-outs, as engineers live them. Walk one entry by entry and see the suspects move.</p>
      <template v-for="shelf in shelves" :key="shelf.about">
        <h2 class="eyebrow">{{ shelf.about }}</h2>
        <ul>
          <li v-for="one in shelf.stories" :key="one.slug">
            <router-link :to="{ name: 'stories', params: { story: one.slug } }" :aria-current="one.slug === chosen?.slug ? 'page' : undefined">
              {{ one.title }}
            </router-link>
          </li>
        </ul>
      </template>
    </nav>
    <StoryWalk v-if="chosen" :key="chosen.slug" :story="chosen" :at="step" />
    <section v-else-if="props.story" class="none" role="alert">
      <h2>No such story</h2>
      <p>“{{ props.story }}” is not among them. Choose one from the list.</p>
    </section>
    <section v-else class="none dim"><p>Choose a story.</p></section>
  </main>
</template>

<style scoped>
.stories {
  display: grid;
  grid-template-columns: 320px minmax(0, 1fr);
}
.list {
  padding: 14px 20px 60px 24px;
  border-right: 1px solid var(--rule);
  /* scrolls by itself, so that what was chosen stays in sight */
  position: sticky;
  top: var(--bar);
  align-self: start;
  height: calc(100dvh - var(--bar));
  overflow-y: auto;
}
.back {
  display: inline-flex;
  align-items: center;
  min-height: 24px;
  color: var(--dim);
}
h1 {
  font-size: 1.5rem;
}
.list h2 {
  margin: 20px 0 4px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list li a {
  display: flex;
  align-items: center;
  min-height: 36px;
  padding: 4px 10px 4px 10px;
  border-left: 3px solid transparent;
  color: inherit;
  text-decoration: none;
  line-height: 1.2;
}
.list li a:hover {
  color: var(--copper);
}
.list li a[aria-current] {
  border-left-color: var(--copper);
  font-weight: 600;
}
.none {
  padding: 60px 24px;
}
@media (max-width: 900px) {
  .stories {
    grid-template-columns: minmax(0, 1fr);
  }
  .list {
    border-right: 0;
    padding: 12px 16px 40px;
    position: static;
    height: auto;
    overflow: visible;
  }
  .list li a {
    min-height: 48px;
  }
  /* a chosen story has the page to itself: its own head leads back */
  .chosen .list,
  .none.dim {
    display: none;
  }
}
</style>
