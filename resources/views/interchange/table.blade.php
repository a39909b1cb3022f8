@extends('layout')
@section('title', $table->title().' from a table')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('tables') }}">Data in and out</a></p>
    <div class="page-head"><h1>{{ $table->title() }} from a table</h1>
        <div class="end"><a href="{{ route('tables.template', $table->key()) }}">Template</a> ·
        <a href="{{ route('tables.out', $table->key()) }}">What there is (CSV)</a></div></div>
    @include('design.messages')
    <p class="soft">{{ $table->words() }} The first row names the columns: <span
        class="code">{{ implode(', ', $table->columns()) }}</span>.</p>
    @if($work?->isEnded() === false)
        @include('work.progress', ['words' => $work->what === 'look at a table' ? 'The file is looked at.'
            : 'The rows are brought in, all of them or none.'])
    @else
    @if($work !== null && $work->words !== '')
        <div class="note {{ $work->state === 'done' ? 'done' : 'stop' }}" role="status"><p>{{ $work->words }}</p></div>
    @endif
    @include('interchange.parts.upload', ['action' => route('tables.dry-run', $table->key())])
    @if($report !== null)
        @include('interchange.parts.report', ['action' => route('tables.bring-in', $table->key()),
            'all' => route('tables.rows', [$table->key(), $work->id])])
    @endif
    @endif
</div>
@endsection
