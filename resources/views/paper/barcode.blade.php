@use('Elmstone\Paper\Barcode')
@php($drawing = Barcode::svg($document->label))
@if($pdf ?? false)
    <img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" alt="{{ $document->label }}">
@else
    {!! $drawing !!}
@endif
