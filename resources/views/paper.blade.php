@php
/**
 * While a long report is being made: looks again by itself.
 *
 * @var \App\Logbook\Job $job
 * @var \App\Report\PaperCard $card
 */
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
@if ($card->state !== \App\Report\PaperState::Failed)<meta http-equiv="refresh" content="2">@endif
<title>{{ $job->label() }} as PDF</title>
<style>
body { margin: 0; background: #efeae2; color: #24292b; font: 1.125rem/1.5 system-ui, sans-serif; }
header { background: #2b3032; border-bottom: 4px solid #b8935a; color: #f4f1ea; padding: .75rem 1.25rem; font-weight: 700; }
main { max-width: 38rem; padding: 1.5rem 1.25rem; }
h1 { border-left: 4px solid #b8935a; padding-left: .6rem; font-size: 1.4rem; }
progress { width: 100%; height: 1.25rem; accent-color: #165f70; }
a { color: #165f70; }
</style>
</head>
<body>
<header>{{ config('app.name') }}</header>
<main>
<h1>Report of {{ $job->label() }} as PDF</h1>
<p role="status">{{ $card->says }}</p>
@if ($card->state !== \App\Report\PaperState::Failed)
<progress max="{{ $card->total }}" value="{{ $card->done }}" aria-label="lines on paper"></progress>
<p>It opens here when it is there. Meanwhile <a href="/jobs/{{ $job->id }}">the job</a> can be worked on.</p>
@else
<p><a href="/jobs/{{ $job->id }}/report">Back to the report</a></p>
@endif
</main>
</body>
</html>
