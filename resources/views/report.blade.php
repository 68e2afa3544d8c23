@php
/** @var \App\Report\ReportSheet $sheet */
use Ash\Logbook\Entries\GatePassed;
use Ash\Logbook\Entries\JobClosed;
use Ash\Logbook\Entries\PartReplaced;
use Ash\Logbook\LogbookRoom;
$job = $sheet->job;
$outcome = $sheet->standing(JobClosed::KIND)->last();
@endphp
<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>{{ $job->label() }} {{ $job->title }}</title>
<style>
@page { margin: 18mm 16mm; }
body { font-family: 'DejaVu Sans', 'B612', sans-serif; font-size: 10.5pt; line-height: 1.4;
       color: #1d2124; background: #fff; max-width: 190mm; margin: 0 auto; padding: 4mm; }
h1 { font-size: 17pt; margin: 0 0 1mm; }
h2 { font-size: 11.5pt; margin: 6mm 0 1.5mm; border-bottom: 0.6mm solid #8a6a3f; padding-bottom: 0.6mm; }
table { border-collapse: collapse; width: 100%; }
th, td { text-align: left; vertical-align: top; padding: 0.8mm 2mm 0.8mm 0; border-bottom: 0.2mm solid #b9b2a6; font-size: 9.5pt; }
th { font-weight: bold; }
.head td { border: 0; padding: 0.3mm 4mm 0.3mm 0; }
.out { font-weight: bold; }
.box { border: 0.5mm solid #1d2124; padding: 2mm 3mm; margin: 3mm 0; }
.small { font-size: 8.5pt; color: #4a4f52; }
ul { margin: 1mm 0; padding-left: 5mm; }
</style>
</head>
<body>
<main>
<h1>{{ $job->label() }} &middot; {{ $job->title }}</h1>
<table class="head">
<tr><td>Machine</td><td>{{ $sheet->machine->name }}, {{ $sheet->machine->kind }}</td></tr>
<tr><td>Board</td><td>{{ $sheet->board->name }}@if ($sheet->board->serial), serial {{ $sheet->board->serial }}@endif</td></tr>
<tr><td>Owner</td><td>{{ $job->owner }}</td></tr>
<tr><td>Taken in</td><td>{{ $job->opened_at->format('j M Y') }}@if ($job->closed_at), closed {{ $job->closed_at->format('j M Y') }}@endif,
{{ $job->minutes }} minutes of work</td></tr>
</table>

<div class="box">
@if ($outcome)
<strong>{{ $outcome->says() }}</strong>
@else
<strong>The job is still open.</strong> Stage: {{ $job->stage->words() }}.
@endif
</div>

<h2>Symptom</h2>
@forelse ($sheet->standing(LogbookRoom::SYMPTOM) as $entry)
<p>{{ $entry->text }}</p>
@empty
<p>Not written down.</p>
@endforelse

@foreach ($sheet->tables() as $table)
@if ($table->rows)
<h2>{{ $table->title }}</h2>
<table>
<thead><tr>@foreach ($table->columns as $column)<th scope="col">{{ $column }}</th>@endforeach</tr></thead>
<tbody>
@foreach ($table->rows as $row)
<tr>@foreach ($row['cells'] as $cell)<td @if ($loop->last) class="{{ $row['bad'] ? 'out' : 'in' }}"@endif>{{ $cell }}</td>@endforeach</tr>
@endforeach
</tbody>
</table>
@endif
@endforeach

@if ($sheet->standing(PartReplaced::KIND)->isNotEmpty())
<h2>Parts replaced</h2>
<ul>
@foreach ($sheet->standing(PartReplaced::KIND) as $entry)
<li>{{ $entry->data->sentence('') }} <span class="small">({{ $entry->at->format('j M Y') }}, {{ $entry->by() }})</span></li>
@endforeach
</ul>
@endif

@if ($sheet->hazards())
<h2>Temporary fixes</h2>
<ul>
@foreach ($sheet->hazards() as $hazard)
<li>{{ $hazard['text'] }}, since {{ $hazard['since'] }}: @if ($hazard['undone'])undone
{{ $hazard['undone'] }}@else<span class="out">still open</span>@endif</li>
@endforeach
</ul>
@endif

@if ($sheet->standing(GatePassed::KIND)->isNotEmpty())
<h2>Gates passed</h2>
<p>Power was not advised and was applied all the same:</p>
<ul>
@foreach ($sheet->standing(GatePassed::KIND) as $entry)
<li>{{ $entry->says() }} <span class="small">({{ $entry->at->format('j M Y H:i') }}, {{ $entry->by() }})</span></li>
@endforeach
</ul>
@endif

@if ($sheet->photos())
<h2>Photos</h2>
<table>
@foreach ($sheet->photos() as $row)
<tr>
@foreach ($row as $photo)
<td style="width: 33%"><img src="{{ $photo['image'] }}" alt="{{ $photo['says'] }}" style="width: 54mm"><br>
{{ $photo['says'] }}@foreach ($photo['pins'] as $pin)<br><span class="small">{{ $pin }}</span>@endforeach</td>
@endforeach
</tr>
@endforeach
</table>
@endif

<h2>Course of the work</h2>
<table>
<thead><tr><th scope="col">When</th><th scope="col">Who</th><th scope="col">What</th></tr></thead>
<tbody>
@foreach ($sheet->course() as $entry)
<tr><td>{{ $entry->at->format('j M Y H:i') }}</td><td>{{ $entry->by() }}</td><td>{{ $sheet->kind($entry) }}: {{ $entry->says() }}@if ($sheet->note($entry))
<span class="small">[{{ $sheet->note($entry) }}]</span>@endif</td></tr>
@endforeach
</tbody>
</table>

<p class="small">Verdicts hold for the band named and the meter used. Mains and picture-tube work is for trained people;
local electrical codes and licensed practice come first. Printed from the record of {{ config('app.name') }}.</p>
</main>
</body>
</html>
