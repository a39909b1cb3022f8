@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "{$account->number} {$account->name}")
@section('main')
<div class="page">
    <div class="page-head"><h1>{{ $account->number }} {{ $account->name }}</h1>
        <span class="soft">{{ $period->words() }}</span>@include('ledger.pages')</div>
    @include('design.messages')
    <x-period :period="$period" :action="route('ledger.account', $account)">@include('ledger.place')</x-period>
    <p class="d-flex justify-content-between mb-1"><span>Before: <strong>{{ Show::money($opening) }}</strong>
        <span class="soft">· {{ number_format($count) }} {{ $count === 1 ? 'document' : 'documents' }}</span></span>
        <span class="no-print"><button type="button" class="link-act" x-data="prints" @click="now">Print</button> ·
        <a class="link-act" href="{{ $report->csvAddress() }}">Save as CSV</a></span></p>
    <x-report :report="$report"/>
    @if($pages > 1)<nav class="pages" aria-label="Pages">
        @php($at = fn (int $to) => route('ledger.account', ['account' => $account, 'page' => $to,
            ...$period->query(), ...$request->kept()]))
        @if($page > 1)<a class="quiet-act" href="{{ $at($page - 1) }}" rel="prev">Back</a>@endif
        <span class="soft">Page {{ $page }} of {{ $pages }}</span>
        @if($page < $pages)<a class="quiet-act" href="{{ $at($page + 1) }}" rel="next">Next</a>@endif</nav>@endif
</div>
@endsection
