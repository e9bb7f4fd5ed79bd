<script lang="ts"></script>

<div class="page">
  <h1>There is nothing at this address</h1>
  <p><a href="/">Go to Today</a></p>
</div>
