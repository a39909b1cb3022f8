@extends('layout')
@section('title', 'Customers from a table')
@section('main')
<div class="page">
    <p class="small soft mb-1"><a href="{{ route('customers') }}">Customers</a></p>
    <div class="page-head"><h1>Customers from a table</h1></div>
    @include('design.messages')
    <p class="soft">The first row names the columns: <span
        class="code">{{ implode(', ',
            $columns) }}</span>. Only <b>name</b> is needed. A row with a number changes that customer; a row without
                one makes a new one. A limit opens a house account. An empty cell leaves what there is; a dash alone
                    empties it.</p>
    @include('interchange.parts.upload', ['action' => route('customers.import.dry-run')])
    @if($report !== null)
        @include('interchange.parts.report', ['action' => route('customers.import.bring-in')])
    @endif
</div>
@endsection
