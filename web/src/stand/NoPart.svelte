<script lang="ts"></script>

<div class="page">
  <h1>No part is on the stand</h1>
  <p>
    Choose a student and a piece on <a href="/">Today</a>, or press <kbd>/</kbd> and type a name.
  </p>
</div>

<style>
  p {
    margin-top: 1rem;
  }
</style>
