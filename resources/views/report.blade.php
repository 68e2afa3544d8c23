@php
/**
 * The whole report, or a part of it that is joined to others.
 *
 * @var \App\Report\ReportSheet $sheet
 * @var list<\App\Report\Section> $sections
 * @var bool $first
 * @var bool $last
 */
use Ash\Logbook\Entries\JobClosed;
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
@if ($first)
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

@endif
@foreach ($sections as $section)
<h2>{{ $section->title }}</h2>
@if ($section->before)
<p>{{ $section->before }}</p>
@endif
@if ($section->pictures())
<table>
@foreach ($section->rows as $row)
<tr>
@foreach ($row->pictures as $picture)
<td style="width: 33%"><img src="{{ $picture->image() }}" alt="{{ $picture->says }}" style="width: 54mm"><br>
{{ $picture->says }}@foreach ($picture->pins as $pin)<br><span class="small">{{ $pin }}</span>@endforeach</td>
@endforeach
</tr>
@endforeach
</table>
@elseif ($section->columns)
<table>
<thead><tr>@foreach ($section->columns as $column)<th scope="col">{{ $column }}</th>@endforeach</tr></thead>
<tbody>
@foreach ($section->rows as $row)
<tr>@foreach ($row->cells as $cell)<td @if ($row->bad && $loop->last) class="out"@endif>{{ $cell }}@if ($row->small && $loop->last)

<span class="small">{{ $row->small }}</span>@endif</td>@endforeach</tr>
@endforeach
</tbody>
</table>
@else
<ul>
@foreach ($section->rows as $row)
<li><span @if ($row->bad) class="out"@endif>{{ implode(', ', $row->cells) }}</span>@if ($row->small) <span class="small">{{ $row->small }}</span>@endif</li>
@endforeach
</ul>
@endif
@endforeach

@if ($last)
<p class="small">Verdicts hold for the band named and the meter used. Mains and picture-tube work is for trained people;
local electrical codes and licensed practice come first. Printed from the record of {{ config('app.name') }}.</p>
@endif
</main>
</body>
</html>
