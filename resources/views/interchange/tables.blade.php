@extends('layout')
@section('title', 'Data in and out')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Data in and out</h1><p class="soft mb-0">As CSV, the same file in both directions.
        What comes in is looked at first, row by row; then all of it is brought in, or nothing.</p></div></div>
    @include('design.messages')
    <table class="ruled"><thead><tr><th>What</th><th>How its rows are read</th>
        <th>As a file</th></tr></thead><tbody>
    @foreach($tables as $table)<tr>
        <td class="nowrap"><a href="{{ route('tables.show', $table->key()) }}">{{ $table->title() }}</a></td>
        <td class="soft small">{{ $table->words() }}</td><td class="text-nowrap">
        <a href="{{ route('tables.out', $table->key()) }}">take out</a> ·
        <a href="{{ route('tables.template', $table->key()) }}">template</a></td></tr>@endforeach
    </tbody></table>
</div>
@endsection
