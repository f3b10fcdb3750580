<template>
  <h1>Nothing is here</h1>
  <p>
    The address leads nowhere. Go to the <router-link to="/shelf">shelf</router-link>, or press
    <kbd>/</kbd> and type a code.
  </p>
</template>
