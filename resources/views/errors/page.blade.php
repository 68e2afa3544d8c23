<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>Ash Bench</title>
<style>
body { margin: 0; background: #efeae2; color: #24292b; font: 1.125rem/1.5 system-ui, sans-serif; }
header { background: #2b3032; border-bottom: 4px solid #b8935a; color: #f4f1ea; padding: .75rem 1.25rem; font-weight: 700; }
main { max-width: 38rem; padding: 1.5rem 1.25rem; }
h1 { border-left: 4px solid #b8935a; padding-left: .6rem; font-size: 1.4rem; }
a { color: #165f70; }
</style>
</head>
<body>
<header>Ash Bench</header>
<main>
@switch($exception->getStatusCode())
@case(403)<h1>Your role does not allow this</h1>@break
@case(404)<h1>There is nothing here</h1>@break
@case(429)<h1>Too many requests: wait a moment</h1>@break
@case(503)<h1>Ash Bench does not answer just now</h1>@break
@default<h1>{{ $exception->getStatusCode() >= 500 ? 'The server failed; nothing was saved' : 'This cannot be done' }}</h1>
@endswitch
<p>What you typed stays in this browser. Go back and try again, or <a href="/">go to the bench</a>.</p>
@if (\App\Http\LogLine::id() !== '')<p>Should you report it, add this: request {{ \App\Http\LogLine::id() }}</p>@endif
</main>
</body>
</html>
