@use('Elmstone\Core\Receivables\AgeBand')
@use('Elmstone\Receivables\Ageing\AgeingColumns')
@extends('layout')
@section('title', 'Accounts')
@section('main')
<div class="page">
    <div class="page-head"><h1>Accounts</h1>
    <span class="soft">{{ $report->about }}</span>@can(['interchange', 'manage-accounts'])
    <div class="end"><a class="link-act" href="{{ route('tables.show', 'open-items') }}">Bring in open items</a></div>
    @endcan</div>
    @include('design.messages')
    <div class="age-top">
        {!! AgeingColumns::svg($ageing->total) !!}
        <dl class="facts"><dt>Owed in all</dt>
        <dd class="figure fw-bold h4">{{ $ageing->total->balance }}</dd><dt>Late</dt>
        <dd class="figure">{{ $ageing->total->late() }}</dd><dt>Accounts with a balance</dt>
        <dd class="figure">{{ $ageing->count() }}</dd></dl>
    </div>
    <x-as-of :report="$report" :action="route('accounts')">
        <div><label for="find">Name, phone or number</label><input class="form-control" id="find" name="find" size="20"
            value="{{ $find }}" autofocus></div>
        <div><label for="band">Only with something</label><select class="form-select" id="band" name="band">
        <option value="">in any column</option>@foreach(AgeBand::cases() as $one)
        <option value="{{ $one->value }}" @selected($band === $one)>{{ mb_strtolower($one->label()) }}</option>
        @endforeach</select></div>
    </x-as-of>
    @if($without !== [])
    <p class="small soft">Nothing owed: @foreach($without as $found)<a
        href="{{ route('accounts.show', $found->customer) }}">{{ $found->customer->name }}</a>{{ $loop->last ? ''
            : ', ' }}@endforeach</p>@endif
    <x-report :report="$report" />
    @if($count > $page)<nav class="pages" aria-label="Pages">
        @if($skip > 0)<a class="quiet-act"
            href="{{ route('accounts',
                [...request()->query(), 'skip' => max(0, $skip - $page)]) }}">Back</a>@endif<span
                    class="soft">{{ $skip + 1 }}–{{ min($count,
                        $skip + $page) }} of {{ $count }}</span>@if($skip + $page < $count)<a class="quiet-act"
                            href="{{ route('accounts',
                                [...request()->query(), 'skip' => $skip + $page]) }}">Next</a>@endif</nav>@endif
</div>
@endsection
