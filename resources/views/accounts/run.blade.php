@use('Elmstone\Support\Show')
@extends('layout')
@section('title', 'Statements')
@section('main')
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a href="{{ route('statements') }}">Statements</a></p>
    <div class="page-head"><h1>Statements as of {{ Show::date($run->as_of) }}</h1>
    <span class="soft">{{ $options->words() }} · begun by {{ $run->staff->name }}</span></div>
    @include('design.messages')
    @include('accounts.parts.run-progress')
</div>
@endsection
