@use('Elmstone\Support\ShopTime')
@use('Elmstone\Core\Receivables\AgeBand')
@use('Elmstone\Support\Show')
@use('Elmstone\Receivables\Ageing\AgeingColumns')
@extends('layout')
@section('title', 'Accounts')
@section('main')
@php($keep = array_filter(['as_of' => ShopTime::isToday($report->day) ? null : $report->day->format('Y-m-d')]))
<div class="page">
    <div class="page-head"><h1>Accounts</h1>
    <span class="soft">what is owed, and how late it is, as of {{ Show::date($report->day) }} · {{ $house->currency()
        ->code }}</span>
        <div class="end">
            @can('take-payments')<a class="quiet-act" href="{{ route('accounts.cheques') }}">Cheques that came in</a><a
                class="quiet-act" href="{{ route('accounts.calls') }}">Who to call</a>@endcan
            @can('run-statements')<a class="quiet-act" href="{{ route('statements') }}">Statements</a><a
                class="quiet-act" href="{{ route('finance-charges') }}">Finance charges</a>@endcan
            @can('interchange')<a class="quiet-act" href="{{ route('bank') }}">Bank file</a>@endcan
        </div></div>
    @include('design.messages')
    <div class="age-top">
        {!! AgeingColumns::svg($report->total) !!}
        <dl class="facts"><dt>Owed in all</dt>
        <dd class="figure fw-bold h4">{{ Show::money($report->total->balance) }}</dd><dt>Late</dt>
        <dd class="figure">{{ Show::money($report->total->late()) }}</dd><dt>Accounts with a balance</dt>
        <dd class="figure">{{ count($report->accounts) }}</dd></dl>
    </div>
    <form class="filters" method="get" action="{{ route('accounts') }}" role="search">
        <div><label for="find">Name, phone or number</label><input class="form-control" id="find" name="find" size="20"
            value="{{ $find }}" autofocus></div>
        <div><label for="band">Only with something</label><select class="form-select" id="band" name="band">
        <option value="">in any column</option>@foreach(AgeBand::cases() as $one)
        <option value="{{ $one->value }}" @selected($band === $one)>{{ mb_strtolower($one->label()) }}</option>
        @endforeach</select></div>
        <div><label for="as_of">As of</label><input class="form-control" type="date" id="as_of" name="as_of"
            value="{{ $report->day->format('Y-m-d') }}"></div>
        <button class="quiet-act">Show</button>
        <a class="link-act ms-auto" href="{{ route('accounts.ageing.csv', $keep) }}">Save as CSV</a>
        @error('as_of')<p class="complaint w-100">{{ $message }}</p>@enderror
    </form>
    @if($without !== [])
    <p class="small soft">Nothing owed: @foreach($without as $found)<a
        href="{{ route('accounts.show', $found->customer) }}">{{ $found->customer->name }}</a>{{ $loop->last ? ''
            : ', ' }}@endforeach</p>@endif
    @if($accounts === [])
        <p class="empty">{{ $find === '' ? 'Nobody owes anything in that column.'
            : 'No account with a balance is found by that.' }}</p>
    @else
        <table class="ruled">
            <thead><tr><th>Account</th><th>Name</th>@foreach(AgeBand::cases() as $one)<th class="figure">
            <a class="plain" href="{{ route('accounts', [...$keep, 'band' => $one->value]) }}">{{ $one->label() }}</a>
            </th>@endforeach<th class="figure">Balance</th></tr></thead>
            <tbody>
            @foreach($accounts as $account)
                <tr><td><a class="code"
                    href="{{ route('accounts.show', [$account->number, ...$keep]) }}">{{ $account->number }}</a></td>
                    <td><a href="{{ route('accounts.show',
                        [$account->number, ...$keep]) }}">{{ $account->name }}</a>@if($account->stopped) <span
                            class="small brick">on stop</span>@endif</td>
                    @foreach(AgeBand::cases() as $one)
                    <td class="figure {{ $one === AgeBand::Over90 && ! $account->ageing->in($one)->isZero() ? 'brick'
                        : '' }}">{{ $account->ageing->in($one)->isZero() ? ''
                            : Show::money($account->ageing->in($one)) }}</td>@endforeach
                    <td class="figure fw-bold">{{ Show::money($account->ageing->balance) }}</td></tr>
            @endforeach
            </tbody>
            <tfoot><tr class="total"><td></td><td>All accounts</td>@foreach(AgeBand::cases() as $one)
            <td class="figure">{{ Show::money($report->total->in($one)) }}</td>@endforeach
            <td class="figure">{{ Show::money($report->total->balance) }}</td></tr></tfoot>
        </table>
        @if($count > $page)<nav class="pages" aria-label="Pages">
        @if($skip > 0)<a class="quiet-act"
            href="{{ route('accounts',
                [...request()->query(), 'skip' => max(0, $skip - $page)]) }}">Back</a>@endif<span
                    class="soft">{{ $skip + 1 }}–{{ min($count,
                        $skip + $page) }} of {{ $count }}</span>@if($skip + $page < $count)<a class="quiet-act"
                            href="{{ route('accounts',
                                [...request()->query(), 'skip' => $skip + $page]) }}">Next</a>@endif</nav>@endif
    @endif
</div>
@endsection
