@use('Elmstone\Support\Show')
@use('Elmstone\Plans\PlanWorklist')
@extends('layout')
@section('title', 'Payment plans')
@section('main')
@php($money = fn (int $minor): string => Show::money($house->money($minor)))
<div class="page">
    @include('layaways.parts.nav')
    <div class="page-head"><h1>Payment plans</h1>
    <span class="soft">goods taken and paid in parts, as of {{ Show::date($day) }} · {{ $house->currency()
        ->code }}</span></div>
    @include('design.messages')
    <div class="filters"><div class="choices" role="group" aria-label="Which">
    @foreach(PlanWorklist::TABS as $one => $label)<a href="{{ route('plans', ['tab' => $one]) }}" @if($tab === $one)
        aria-current="true" @endif>{{ $label }}</a>@endforeach</div></div>
    @if($rows->isEmpty())
    <p class="empty">
    None here. A plan is made from an open invoice on account: open the invoice, then “Pay in parts”.</p>
    @else
    <table class="ruled">
        <thead><tr><th>Plan</th><th>Customer</th><th class="figure">Total</th><th class="figure">Parts met</th>
        <th class="figure">Open</th><th class="figure">Late</th><th>Next part</th><th>What to do</th></tr></thead>
        @foreach($rows as $row)
            <tr><td><a class="code" href="{{ route('plans.show', $row->label) }}">{{ $row->label }}</a></td><td>
            <a class="plain" href="{{ route('accounts.show', $row->number) }}">{{ $row->name }}</a></td>
            <td class="figure">{{ $money($row->total) }}</td>
            <td class="figure">{{ $row->met }} of {{ $row->parts }}</td><td class="figure">{{ $money($row->open) }}</td>
            <td class="figure {{ $row->late > 0 ? 'brick' : '' }}">{{ $row->late > 0 ? $money($row->late) : '' }}</td>
            <td class="nowrap">{{ $row->nextDue === null ? '' : Show::date($row->nextDue) }}</td>
            <td class="small">{{ $row->nextStep($house) }}</td></tr>
        @endforeach
    </table>
    {{ $rows->links() }}
    @endif
</div>
@endsection
