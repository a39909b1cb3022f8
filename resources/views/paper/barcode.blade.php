@use('Elmstone\Paper\Barcode')
@php($drawing = Barcode::svg($code ?? $document->label))
@if($pdf ?? false)
    <img src="data:image/svg+xml;base64,{{ base64_encode($drawing) }}" alt="{{ $code ?? $document->label }}">
@else
    <div data-code="{{ $code ?? $document->label }}">{!! $drawing !!}</div>
@endif
