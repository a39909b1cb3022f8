@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'How it runs')
@section('main')
@php($size = fn (int $bytes): string => $bytes < 1_000_000_000 ? number_format($bytes / 1_000_000, 1).' MB'
    : number_format($bytes / 1_000_000_000, 1).' GB')
<div class="page narrow">
    <div class="page-head"><h1>How it runs</h1></div>
    <dl class="running">
        <div @class(['off' => $isLate])><dt>Last backup</dt><dd>@if($backup === null)None was made yet:
            <code>./elmstone backup</code> makes one, the machine’s timer every night.@else
            {{ Show::moment($backup->made_at) }}, {{ $size($backup->bytes) }} in {{ $backup->seconds }} s
            <span class="soft code">{{ $backup->name }}</span>@if($isLate) <b>That is more than a day ago.</b>@endif
            @endif</dd></div>
        <div @class(['off' => $proof === null || $proof->faults > 0])><dt>Books proved</dt><dd>
            @if($proof === null)Not yet:
            <code>php artisan books:prove</code>, every night.@else{{ Show::moment($proof->ran_at) }}:
            {{ $proof->faults > 0 ? "{$proof->faults} faults" : 'nothing is off' }}@endif</dd></div>
        <div @class(['off' => $isFull])><dt>Room on the disk</dt><dd>{{ $size($disk['free']) }} of
            {{ $size($disk['all']) }} free</dd></div>
        <div @class(['off' => $queue[1] > 3600])><dt>Papers and mails that wait</dt><dd>{{ $queue[0] === 0 ? 'None'
            : "{$queue[0]}, the oldest for ".intdiv($queue[1], 60).' minutes' }}@if($queue[0] > 0) <a
            href="{{ route('waiting') }}">Look at them</a>@endif</dd></div>
        <div @class(['off' => $works[1] > 300])><dt>Statements and files</dt>
            <dd>{{ $works[0] === 0 ? 'None waits for a worker'
            : ($works[0] === 1 ? 'One waits' : "{$works[0]} wait").' for a worker, '.($works[1] < 120
            ? 'not two minutes yet' : 'the oldest for '.intdiv($works[1], 60).' minutes') }}@if($works[1] > 300):
            does one run?@endif</dd></div>
        <div><dt>Posted at the counter today</dt><dd>{{ $postings }}@if($p95 !== null), 95 of 100
            {{ $p95 === 0 ? 'in more than 3.2 s' : "within {$p95} ms" }}@endif</dd></div>
        <div @class(['off' => $broken > 0])><dt>Pages that broke today</dt><dd>{{ $broken === 0 ? 'None'
            : "{$broken}: what happened stands in storage/logs" }}</dd></div>
        <div><dt>Versions</dt><dd>@foreach($versions as $name => $version){{ $name }} {{ $version
            }}{{ $loop->last ? '' : ' · ' }}@endforeach</dd></div>
    </dl>
</div>
@endsection
