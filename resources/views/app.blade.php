<!doctype html>
<html lang="en" data-light="day">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ config('app.name') }}</title>
<link rel="icon" href="/mark.svg" type="image/svg+xml">
@vite('resources/ts/main.tsx')
</head>
<body>
<div id="root"></div>
<noscript>Ash Bench needs JavaScript in this browser.</noscript>
</body>
</html>
