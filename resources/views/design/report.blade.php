@extends('layout')
@section('title', $report->title)
@section('main')
<div class="page">
    <div class="page-head"><h1>{{ $report->title }}</h1><span class="soft">{{ $report->about }}</span></div>
    @include('design.messages')
    @includeWhen($above !== '', $above)
    <x-as-of :report="$report" :action="url()->current()" />
    <x-report :report="$report" />
</div>
@endsection
