@use('Elmstone\Plans\PlanWorklist')
@extends('layout')
@section('title', 'Payment plans')
@section('main')
<div class="page">
    <div class="page-head"><h1>Payment plans</h1>
    <span class="soft">{{ $report->about }}</span></div>
    @include('design.messages')
    <div class="filters"><div class="choices" role="group" aria-label="Which">
    @foreach(PlanWorklist::TABS as $one => $label)<a href="{{ route('plans', ['tab' => $one]) }}" @if($tab === $one)
        aria-current="true" @endif>{{ $label }}</a>@endforeach</div></div>
    <x-report :report="$report" />
    {{ $pages->links() }}
</div>
@endsection
