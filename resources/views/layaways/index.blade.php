@use('Elmstone\Support\Show')
@use('Elmstone\Layaways\LayawayState')
@use('Elmstone\Layaways\NextStep')
@use('Elmstone\Layaways\WorklistController')
@use('Elmstone\Layaways\WorklistTab')
@extends('layout')
@section('title', 'Layaways')
@section('main')
<div class="page">
    @include('layaways.parts.nav')
    <div class="page-head"><h1>Layaways</h1>
    <span class="soft">goods set aside, as of {{ Show::date($day) }} · {{ $house->currency()->code }}</span></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('layaways') }}" role="search">
        <div><label for="find">Number, name or phone</label><input class="form-control" id="find" name="find" size="24"
            value="{{ $find }}" autofocus></div>
        <button class="quiet-act">Find</button>
        <div class="choices" role="group" aria-label="Which">
            @foreach(WorklistTab::cases() as $one)<a href="{{ route('layaways', ['tab' => $one->value]) }}"
                @if($one === $tab && $find === '') aria-current="true"
                    @endif>{{ $one->label() }}@isset($counts[$one->value]) <span
                        class="soft">{{ $counts[$one->value] > WorklistController::COUNTED
                            ? WorklistController::COUNTED.'+' : $counts[$one->value] }}</span>@endisset</a>@endforeach
        </div>
        <a class="link-act ms-auto" href="{{ route('layaways.csv', ['tab' => $tab->value]) }}">Save as CSV</a>
    </form>
    @if($layaways->isEmpty())
        <p class="empty">{{ $find !== '' ? 'No layaway is found by that.'
            : 'None here. A layaway is made at the counter: put the goods and the customer on a slip, '
                .'then “Hold as layaway”.' }}</p>
    @else
        <table class="ruled">
            <thead><tr><th>Layaway</th><th>Customer</th><th>Goods</th><th class="figure">Left to pay</th>
            <th>{{ $tab === WorklistTab::Ended ? 'How it ended' : 'Next due' }}</th>
            <th class="figure">{{ $tab === WorklistTab::Ended ? '' : 'Payment' }}</th>
            <th>{{ $tab === WorklistTab::Ended ? 'Ended on' : 'Until' }}</th><th>What to do</th></tr></thead>
            <tbody>
            @foreach($layaways as $layaway)
                @php
                    $lines = $layaway->lines();
                    [$isBehind, $isExpired] = [$layaway->isBehind($day), $layaway->isExpired($day)];
                    $due = $layaway->next_due;
                @endphp
                <tr><td class="nowrap">
                <a class="code" href="{{ route('layaways.show', $layaway) }}">{{ $layaway->label }}</a></td>
                    <td><a class="plain"
                        href="{{ route('customers.show', $layaway->customer) }}">{{ $layaway->customer->name }}</a></td>
                    <td class="small">{{ $lines->first()?->description }}{{ $lines->count() > 1
                        ? ' and '.($lines->count() - 1).' more' : '' }}</td>
                    <td class="figure">{{ $layaway->state->isOpen() ? Show::money($house->money($layaway->remaining()))
                        : '' }}</td>
                    <td class="nowrap {{ $isBehind ? 'brick' : '' }}">{{ $due === null ? $layaway->stateWord($day)
                        : Show::date($due) }}{{ $isBehind ? ', behind' : '' }}</td>
                    <td class="figure">{{ $due === null ? '' : Show::money($house->money($layaway->next_open)) }}</td>
                    <td class="nowrap {{ $isExpired ? 'brick' : '' }}">{{ $layaway->state === LayawayState::Running
                        ? Show::date($layaway->expires_on).($isExpired ? ', expired' : '')
                            : ($layaway->ended_on === null ? '' : Show::date($layaway->ended_on)) }}</td>
                    <td class="small">{{ NextStep::for($layaway, $day, $house) }}</td></tr>
            @endforeach
            </tbody>
        </table>
        @if(method_exists($layaways, 'links')){{ $layaways->links() }}@endif
    @endif
</div>
@endsection
