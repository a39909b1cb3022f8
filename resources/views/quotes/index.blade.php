@use('Elmstone\Quotes\Pages\QuoteTab')
@use('Elmstone\Quotes\WonRate')
@extends('layout')
@section('title', 'Quotes')
@section('main')
<div class="page">
    <div class="page-head"><h1>Quotes</h1><span class="soft">{{ $report->about }}</span></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('quotes') }}" role="search">
        <div><label for="find">Number, name or phone</label><input class="form-control" id="find" name="find" size="24"
            value="{{ $find }}" autofocus></div>
        <button class="quiet-act">Find</button>
        <div class="choices" role="group" aria-label="Which">
            @foreach(QuoteTab::cases() as $one)<a href="{{ route('quotes', ['tab' => $one->value]) }}"
                @if($one === $tab && $find === '') aria-current="true" @endif>{{ $one->label() }}</a>@endforeach
        </div>
        <a class="link-act ms-auto" href="{{ route('quotes.csv', ['tab' => $tab->value]) }}">Save as CSV</a>
    </form>
    <x-report :report="$report" />
    {{ $pages?->links() }}
    @if($rate->people !== [])
    <div class="d-flex flex-wrap gap-5 mt-4">
        <div><h2>Won, last {{ $counted }} days</h2><table class="ruled small"><thead><tr><th>By</th>
            <th class="figure">Won</th><th class="figure">Lost</th><th class="figure">Won of all</th></tr></thead>
            @foreach($rate->people as $name => $of)<tr><td>{{ $name }}</td><td class="figure">{{ $of['won'] }}</td>
            <td class="figure">{{ $of['lost'] }}</td><td class="figure">{{ WonRate::percent($of) }} %</td></tr>
            @endforeach</table></div>
        @if($rate->reasons !== [])<div><h2>Why others were lost</h2><table class="ruled small">
            @foreach($rate->reasons as $why => $many)<tr><td>{{ $why }}</td><td class="figure">{{ $many }}</td></tr>
            @endforeach</table></div>@endif
    </div>@endif
</div>
@endsection
