@extends('layout')
@section('title', 'Customers')
@section('main')
<div class="page">
    <div class="page-head"><h1>Customers</h1>
        <div class="end">
        @can(['interchange', 'manage-accounts'])<a class="quiet-act"
            href="{{ route('tables.out', 'customers') }}">Save as CSV</a><a class="quiet-act"
            href="{{ route('tables.show', 'customers') }}">Bring in a CSV</a>@endcan
            @can('edit-prices')<a class="quiet-act"
                href="{{ route('customers.types') }}">Types and price levels</a>@endcan
            <a class="quiet-act" href="{{ route('customers.create') }}">New customer</a></div></div>
    @include('design.messages')
    <form class="filters" method="get" action="{{ route('customers') }}" role="search">
        <div><label for="find">Name, phone, mail or number</label><input class="form-control" id="find" name="find"
            size="28" value="{{ $find }}" autofocus></div>
        @if($tags->isNotEmpty())<div><label for="tag">Tag</label><select class="form-select" id="tag" name="tag">
        <option value="">any</option>@foreach($tags as $one)<option @selected($one === $tag)>{{ $one }}</option>
        @endforeach</select></div>@endif
        <button class="quiet-act">Find</button>
        @if($find !== '' || $tag !== '')<a class="link-act" href="{{ route('customers') }}">Show all</a>@endif
    </form>
    @if($customers->isEmpty())
        <p class="empty">Nobody is found by that. Try fewer letters, or <a
            href="{{ route('customers.create', ['name' => $find]) }}">add “{{ $find }}” as a customer</a>.</p>
    @else
        <table class="ruled">
            <thead><tr><th>Number</th><th>Name</th><th>Phone</th><th>Mail</th><th>Town</th><th>Type</th></tr></thead>
            <tbody>
            @foreach($customers as $customer)
                <tr><td><a class="code" href="{{ route('customers.show', $customer) }}">{{ $customer->number }}</a></td>
                    <td><a href="{{ route('customers.show', $customer) }}">{{ $customer->name }}</a> <span
                        class="small soft">{{ $customer->contacts->where('active',
                            true)->take(2)->pluck('name')->implode(', ') }}</span></td>
                    <td class="text-nowrap">{{ $customer->phone }}</td><td>{{ $customer->mail }}</td>
                    <td>{{ $customer->town }}</td><td>{{ $customer->type?->name }}</td></tr>
            @endforeach
            </tbody>
        </table>
        @if($find === ''){{ $customers->links() }}@endif
    @endif
</div>
@endsection
