@extends('layout')
@section('title', 'Data in and out')
@section('main')
<div class="page">
    <div class="page-head"><div><h1>Data in and out</h1><p class="soft mb-0">As CSV, the same file in both directions.
        What comes in is looked at first, row by row; then all of it is brought in, or nothing.</p></div></div>
    @include('design.messages')
    <table class="ruled"><thead><tr><th>What</th><th>How its rows are read</th>
        <th>As a file</th></tr></thead><tbody>
    @foreach($tables as $table)<tr>
        <td><a href="{{ route('tables.show', $table->key()) }}">{{ $table->title() }}</a></td>
        <td class="soft small">{{ $table->words() }}</td><td class="text-nowrap">
        <a href="{{ route('tables.out', $table->key()) }}">take out</a> ·
        <a href="{{ route('tables.template', $table->key()) }}">template</a></td></tr>@endforeach
    @can('manage-accounts')<tr><td><a href="{{ route('customers.import') }}">Customers</a></td>
        <td class="soft small">With their house
        accounts. A row with a number changes that customer, any other makes a new one.</td><td class="text-nowrap">
        <a href="{{ route('customers.csv') }}">take out</a></td></tr>
    <tr><td><a href="{{ route('accounts.opening') }}">Open items</a></td><td class="soft small">What customers owed
        before, invoice by invoice, with its own dates.</td><td>
        <a href="{{ route('accounts.opening.out') }}">take out</a></td></tr>@endcan
    </tbody></table>
</div>
@endsection
