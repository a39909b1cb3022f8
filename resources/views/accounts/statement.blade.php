@use('Elmstone\Support\Show')
@extends('layout')
@section('title', "Statement of {$customer->name}")
@section('main')
<div class="page">
    <p class="small soft mb-1">
    <a href="{{ route('accounts') }}">Accounts</a> / <a
        href="{{ route('accounts.show', $customer) }}">{{ $customer->name }}</a></p>
    <div class="page-head"><h1>Statement of {{ $customer->name }}</h1><div class="end">
    <a class="quiet-act"
        href="{{ route('statements.pdf', [$customer, ...array_filter($options->toArray())]) }}">As PDF</a>
    @can('run-statements')<form method="post" action="{{ route('statements.mail-now',
        [$customer, ...array_filter($options->toArray())]) }}">@csrf
        <button class="quiet-act">Mail it now</button></form>
    @endcan</div></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('statements.preview', $customer) }}">
        @include('accounts.parts.statement-options', ['day' => $options->asOf, 'own' => 'as the account wants it'])
        <button class="quiet-act">Show</button>
    </form>
    <div class="split">
        <div class="paper-look">
            <div class="d-flex justify-content-between"><div><h2 class="h1">Statement</h2>
            @foreach($statement['to'] as $line)<div>{{ $line }}</div>@endforeach</div><div class="text-end">
            <b>{{ $statement['shop'][0] }}</b>@foreach(array_slice($statement['shop'], 1) as $line)
            <div>{{ $line }}</div>@endforeach<div class="mt-2">As of {{ $statement['as_of'] }}</div>
            <div>Account {{ $statement['account'] }}</div><div>{{ ucfirst($statement['terms']) }}</div></div></div>
            <table class="ruled mt-3">
                <thead><tr><th>Date</th><th>Number</th><th>{{ $statement['title'] }}</th><th>Due</th>
                <th class="figure">{{ $statement['kind'] === 'open_item' ? 'Amount' : 'Charged, paid −' }}</th>
                <th class="figure">{{ $statement['kind'] === 'open_item' ? 'Open' : 'Balance' }}</th></tr></thead>
                <tbody>
                @if($statement['brought'] !== null)<tr><td></td><td></td><td>Brought forward</td><td></td><td></td>
                <td class="figure">{{ $statement['brought'] }}</td></tr>@endif
                @forelse($statement['lines'] as $line)
                    <tr><td class="text-nowrap">{{ $line['date'] }}</td><td class="code">{{ $line['number'] }}</td>
                    <td>{{ $line['what'] }}</td>
                    <td class="text-nowrap">{{ $line['due'] }}{{ $line['late'] ? ' late' : '' }}</td>
                    <td class="figure">{{ $line['amount'] }}</td><td class="figure">{{ $line['figure'] }}</td></tr>
                @empty<tr><td colspan="6" class="empty">Nothing to list.</td></tr>@endforelse
                </tbody>
            </table>
            @if($statement['left_out'] !== '')
            <p class="small soft mt-2">Newer items, not listed, come to {{ $statement['left_out'] }}.</p>@endif
            <table class="ruled mt-3"><thead><tr>@foreach($statement['ageing'] as $label => $amount)
            <th class="figure">{{ $label }}</th>@endforeach</tr></thead><tr>@foreach($statement['ageing'] as $amount)
            <td class="figure">{{ $amount }}</td>@endforeach</tr></table>
            @if(($statement['later'] ?? '') !== '')
            <p class="small soft mt-2">
            Parts of payment plans that fall due later come to {{ $statement['later'] }} and are not in the amount due.
            </p>@endif
            <p class="text-end h4 fw-bold mt-3">{{ $statement['credit'] ? 'In your favour'
                : 'Amount due' }} {{ $statement['currency'] }} {{ $statement['due'] }}</p>
            @if(($statement['pay'] ?? '') !== '')<div class="pay-link">@include('paper.qr',
                ['address' => $statement['pay']])</div>@endif
            @if($statement['foot'] !== '')<p class="small">{{ $statement['foot'] }}</p>@endif
        </div>
        <aside>
            <h2>Sent before</h2>
            @forelse($old as $one)<p class="mb-1">
            <a href="{{ route('statements.again', $one->id) }}">{{ Show::on($one->made_at) }}</a> <span
                class="figure">{{ $one->amount_due }}</span> <span
                    class="soft small">{{ $one->state === 'mailed' ? 'mailed' : '' }}</span></p>@empty
                    <p class="soft small">None in a run yet.</p>@endforelse
        </aside>
    </div>
</div>
@endsection
